import Button from '@mui/material/Button';
import { Component, use, useCallback, useEffect, useState, type ComponentType, type ReactNode } from 'react';
import { api } from './api.ts';

/** A page whose script could not be fetched. */
class PageAway extends Error {}

const afterTable: (() => Promise<unknown>)[] = [];

/**
 * A page whose script is fetched when it is first shown; one that cannot be fetched says so by `PageTrouble`.
 * `fromTable`: it is what a table ends in.
 */
export function page<P extends object>(
  load: () => Promise<ComponentType<P>>,
  { fromTable = false }: { readonly fromTable?: boolean } = {},
): ComponentType<P> {
  let kept: Promise<ComponentType<P>> | undefined;
  const fetched = () =>
    (kept ??= load().catch((cause: unknown) => {
      throw new PageAway('A page could not be fetched.', { cause });
    }));
  // What fails here says so when it is shown.
  if (fromTable) afterTable.push(() => fetched().catch(() => undefined));
  return function Page(props: P) {
    const Shown = use(fetched());
    return <Shown {...props} />;
  };
}

/** Fetches the pages a table ends in before anything is timed: the server may go away in the meantime. */
export function usePagesAfterTable(): void {
  useEffect(() => {
    void (async () => {
      // A page fetched may itself be made of pages: the list grows as they come.
      for (const fetched of afterTable) await fetched();
    })();
  }, []);
}

interface TroubleProps {
  /** The address shown; going to another leaves the trouble behind. */
  readonly at: string;
  readonly children: ReactNode;
}

/** Keeps what went wrong on one page to that page: a sentence, and a way to try again. */
export class PageTrouble extends Component<TroubleProps, { readonly error: unknown }> {
  override state: { readonly error: unknown } = { error: null };

  static getDerivedStateFromError(error: unknown) {
    return { error };
  }

  override componentDidUpdate(before: TroubleProps) {
    if (before.at !== this.props.at && this.state.error !== null) this.setState({ error: null });
  }

  override render() {
    const { error } = this.state;
    if (error === null) return this.props.children;
    if (error instanceof PageAway) return <Away />;
    return (
      <Said title="This could not be shown" way="Load it again" onWay={() => window.location.reload()}>
        Something failed on this page. What was done is kept on this device.
      </Said>
    );
  }
}

const lookEveryMs = 4000;

/**
 * Waits for the server. A browser does not fetch a script again that failed once, so the page is loaded anew then;
 * never before, since a device that holds nothing would have nothing left to show.
 */
function Away() {
  const [looked, setLooked] = useState(false);
  const look = useCallback(
    () =>
      api.setup().then(
        () => window.location.reload(),
        () => setLooked(true),
      ),
    [],
  );
  useEffect(() => {
    const every = setInterval(() => void look(), lookEveryMs);
    return () => clearInterval(every);
  }, [look]);
  return (
    <Said title="No connection" way="Try again" onWay={() => void look()}>
      This page is not on this device yet, and the server {looked ? 'still cannot' : 'cannot'} be reached. It
      opens by itself when it can; what was done is kept here.
    </Said>
  );
}

function Said({
  title,
  way,
  onWay,
  children,
}: {
  readonly title: string;
  readonly way: string;
  readonly onWay: () => void;
  readonly children: ReactNode;
}) {
  return (
    <div className="state-box trouble" role="alert" style={{ margin: 24 }}>
      <strong>{title}</strong>
      <p>{children}</p>
      <Button variant="outlined" onClick={onWay}>
        {way}
      </Button>
    </div>
  );
}
