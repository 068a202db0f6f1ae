import Button from '@mui/material/Button';
import { codeText } from '@veldrift/wire';
import type { ChildScreens } from '../../live/child/useChildScreens.ts';
import { QrCode } from '../../parts/QrCode.tsx';
import { SeatMark } from '../../parts/table/SeatMark.tsx';
import '../../parts/table/table.css';
import type { Sitter } from './sitter.ts';
import './screens.css';

/** Which screens show the table, everyone's and each child's own, and how another one joins. */
export function ScreensList({
  screen,
  sitters,
}: {
  readonly screen: ChildScreens;
  readonly sitters: readonly Sitter[];
}) {
  const all = screen.screens.find(({ owner }) => owner === null);
  return (
    <>
      <p role="status">{statusSays(all)}</p>
      {all?.code && <JoinBy code={all.code} whose={'the child\u2019s'} />}
      {screen.trouble && (
        <p role="alert" style={{ color: 'var(--clay)' }}>
          {screen.trouble}
        </p>
      )}
      <div className="actions" style={{ flexWrap: 'wrap' }}>
        <Button variant="outlined" onClick={() => screen.openWindow(null)}>
          A second window
        </Button>
        <Button variant="outlined" onClick={() => screen.offerCode(null)}>
          Another device, by code
        </Button>
        {all && (
          <Button variant="outlined" onClick={() => screen.close(null)}>
            One screen again
          </Button>
        )}
      </div>
      {sitters.length > 1 && (
        <section aria-labelledby="own-screens">
          <h2 id="own-screens" className="screens-own">
            A device for each child
          </h2>
          <ul className="screens-list">
            {sitters.map(({ id, name, seat }) => {
              const own = screen.screens.find(({ owner }) => owner === id);
              return (
                <li key={id}>
                  <SeatMark seat={seat} size={20} />
                  <strong>
                    <bdi>{name}</bdi>
                  </strong>
                  <span className="quiet" role="status">
                    {own ? ownSays[own.status] : 'at this screen'}
                  </span>
                  {own ? (
                    <Button onClick={() => screen.close(id)}>Let it go</Button>
                  ) : (
                    <Button onClick={() => screen.offerCode(id)}>A device for {name}</Button>
                  )}
                  {own?.code && <JoinBy code={own.code} whose={`${name}\u2019s`} />}
                </li>
              );
            })}
          </ul>
        </section>
      )}
    </>
  );
}

/** How a device joins: by its camera, or by typing. */
function JoinBy({ code, whose }: { readonly code: string; readonly whose: string }) {
  return (
    <div className="screens-join">
      <QrCode text={`${location.origin}/child#${code}`} says={`A square for the camera of ${whose} device`} />
      <p>
        Hold the camera of {whose} device to the square, or open <strong>{location.origin}/child</strong>{' '}
        there and type
        <br />
        <span className="numeral screens-code">{codeText(code)}</span>
        <br />
        <span className="quiet">It works once, within ten minutes.</span>
      </p>
    </div>
  );
}

type Shown = ChildScreens['screens'][number];

const ownSays: Readonly<Record<Shown['status'], string>> = {
  waiting: 'waiting for the device',
  here: 'plays on a device of their own',
  gone: 'dropped out; it comes back by itself',
};

function statusSays(all: Shown | undefined): string {
  if (!all) return 'One screen, side by side.';
  switch (all.status) {
    case 'waiting':
      return 'Waiting for the child\u2019s screen.';
    case 'here':
      return all.kind === 'window'
        ? 'The second window shows the prompt.'
        : 'The child\u2019s device shows the prompt.';
    case 'gone':
      return 'The child\u2019s screen dropped out. It comes back by itself; the prompt is shown here meanwhile.';
  }
}
