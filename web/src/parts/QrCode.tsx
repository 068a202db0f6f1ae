import { create } from 'qrcode';
import { useMemo } from 'react';

/** An address as a square that a camera reads, dark on light in every look. Four modules of margin, as the standard asks. */
export function QrCode({ text, says }: { readonly text: string; readonly says: string }) {
  const { path, side } = useMemo(() => {
    const { modules } = create(text, { errorCorrectionLevel: 'M' });
    const dark = Array.from({ length: modules.size ** 2 }, (_, at) => at).filter(
      (at) => modules.data[at] === 1,
    );
    const { size } = modules;
    return {
      path: dark.map((at) => `M${(at % size) + 4} ${Math.floor(at / size) + 4}h1v1h-1z`).join(''),
      side: size + 8,
    };
  }, [text]);
  return (
    <svg
      viewBox={`0 0 ${side} ${side}`}
      width="188"
      height="188"
      role="img"
      aria-label={says}
      className="qr-code"
    >
      <rect width={side} height={side} fill="#fff" />
      <path d={path} fill="#000" shapeRendering="crispEdges" />
    </svg>
  );
}
