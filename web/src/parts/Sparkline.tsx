/** The latest checks as a small line; ways of capture are not joined. Decorative: the number stands beside it. */
export function Sparkline({
  rates,
}: {
  readonly rates: readonly { readonly ratePerMinute: number; readonly way: string }[];
}) {
  if (rates.length < 2) return null;
  const [width, height] = [84, 26];
  const top = Math.max(30, ...rates.map((one) => one.ratePerMinute));
  const place = (at: number) => ({
    x: 3 + (at * (width - 6)) / (rates.length - 1),
    y: height - 3 - ((rates[at]?.ratePerMinute ?? 0) * (height - 6)) / top,
  });
  const last = place(rates.length - 1);
  return (
    <svg width={width} height={height} aria-hidden style={{ flex: 'none' }}>
      {rates.slice(1).map((one, at) => {
        const [a, b] = [place(at), place(at + 1)];
        return (
          one.way === rates[at]?.way && (
            <line key={at} x1={a.x} y1={a.y} x2={b.x} y2={b.y} stroke="var(--river)" strokeWidth="1.6" />
          )
        );
      })}
      <circle cx={last.x} cy={last.y} r="3" fill="var(--river)" />
    </svg>
  );
}
