import { useEffect, useRef } from 'react';
import { useLocation } from 'react-router';
import { titleOf } from './pageTitles.ts';

/** How long a page may take to show its heading, ms. */
const headingWithinMs = 8000;

/** After a change of page: its title, and the focus at its heading, so that it is read out and the Tab key begins there. */
export function PageArrival() {
  const { pathname } = useLocation();
  const before = useRef(pathname);
  useEffect(() => {
    document.title = titleOf(pathname);
    if (before.current === pathname) return;
    before.current = pathname;
    let arrived: HTMLElement | undefined;
    const arrive = () => {
      const heading = document.querySelector<HTMLElement>('h1') ?? undefined;
      // A page that is still fetched may show another heading first.
      if (!heading || heading === arrived || (arrived?.isConnected ?? false)) return;
      arrived = heading;
      // What a page itself puts the focus on keeps it: a field to be typed in, the key that begins.
      const held = document.activeElement;
      if (held && held.id !== 'work' && held.closest('main, [role="dialog"]')) return;
      heading.tabIndex = -1;
      heading.focus({ preventScroll: true });
    };
    const watch = new MutationObserver(arrive);
    const stop = () => watch.disconnect();
    watch.observe(document.body, { childList: true, subtree: true });
    arrive();
    const handle = setTimeout(stop, headingWithinMs);
    window.addEventListener('keydown', stop, { once: true });
    window.addEventListener('pointerdown', stop, { once: true });
    return () => {
      stop();
      clearTimeout(handle);
      window.removeEventListener('keydown', stop);
      window.removeEventListener('pointerdown', stop);
    };
  }, [pathname]);
  return null;
}
