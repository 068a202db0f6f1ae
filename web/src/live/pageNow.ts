import type { PupilPage } from '@veldrift/wire';
import { pupilPageQuery, queryClient } from '../app/queries.ts';

/** How long a start waits for what is known of a pupil now; then what was last known is taken, ms. */
const patienceMs = 2500;

/** A pupil's page as it is now; without a server, as it was last fetched. */
export function pageNow(id: string): Promise<PupilPage | undefined> {
  const query = pupilPageQuery(id);
  const last = () => queryClient.getQueryData(query.queryKey);
  const late = new Promise<PupilPage | undefined>((done) => setTimeout(() => done(last()), patienceMs));
  return Promise.race([queryClient.fetchQuery({ ...query, staleTime: 0 }).catch(last), late]);
}
