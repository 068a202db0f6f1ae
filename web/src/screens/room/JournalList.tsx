import type { JournalAct, JournalEntry } from '@veldrift/wire';
import { dateTimeText } from '../../app/format.ts';

/** What each act is called, of whom and by whom. */
const words: Readonly<Record<JournalAct, (by: string, whom: string) => string>> = {
  signedIn: (by) => `${by} signed in`,
  invited: (by) => `${by} made an invitation`,
  inviteWithdrawn: (by) => `${by} withdrew an invitation`,
  joined: (by) => `${by} came in by an invitation`,
  removed: (by, whom) => `${by} took ${whom} out`,
  passwordChanged: (by) => `${by} changed their password`,
  resetMade: (by, whom) => `${by} made a link for a new password of ${whom}`,
  passwordReset: (by) => `${by} chose a new password by a link`,
  sessionEnded: (by) => `${by} ended a sign-in of theirs`,
  pupilDeleted: (by) => `${by} deleted a pupil for good`,
};

/** The room's journal as it reads. */
export function JournalList({ entries }: { readonly entries: readonly JournalEntry[] }) {
  if (entries.length === 0) return <p className="quiet">Nothing yet.</p>;
  return (
    <ol className="journal">
      {entries.map((one) => (
        <li key={one.id}>
          <time dateTime={one.at} className="quiet numeral">
            {dateTimeText(one.at)}
          </time>
          <span>{words[one.act](one.by ?? 'On the machine itself, somebody', one.whom)}</span>
        </li>
      ))}
    </ol>
  );
}
