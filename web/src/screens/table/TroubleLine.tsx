import { useEffect, useState, type ReactNode } from 'react';
import { tellTable, troubleWords, useTableTrouble } from '../../live/tableTrouble.ts';

/**
 * What the table has to say of itself, in the place of what always stands there (nothing moves for it); each sentence is read
 * out once a play.
 */
export function TroubleLine({ children }: { readonly children: ReactNode }) {
  const words = troubleWords(useTableTrouble());
  const [read, setRead] = useState<readonly string[]>([]);
  if (words !== null && !read.includes(words)) setRead([...read, words]);
  useEffect(() => {
    tellTable({ times: null });
  }, []);
  return (
    <>
      {words === null ? (
        children
      ) : (
        <span className="table-trouble" aria-hidden>
          {words}
        </span>
      )}
      <span className="sr-only" role="status">
        {read.at(-1) ?? ''}
      </span>
    </>
  );
}
