import { QueryCache, QueryClient, queryOptions, type Query } from '@tanstack/react-query';
import type { PersistedClient } from '@tanstack/react-query-persist-client';
import { createAsyncStoragePersister } from '@tanstack/query-async-storage-persister';
import type { OwnPathway } from '@veldrift/core';
import type { PlanChange } from '@veldrift/core/planning';
import type { EventOf, Me, Planned, Pupil } from '@veldrift/wire';
import { api, ApiError } from './api.ts';
import { takeOwnPathways } from './book.ts';
import { deviceDb, isGame } from './deviceDb.ts';
import { deletePlay } from './playStore.ts';
import { createKeptCache } from './keptCache.ts';
import { showTimesIn } from './format.ts';
import { finishSigningOut } from './signingOut.ts';

const dayMs = 86_400_000;
export const cacheLastsMs = 14 * dayMs;

/** What was fetched is shown at once and fetched afresh behind it; without a network what was last fetched stays. */
export const queryClient = new QueryClient({
  queryCache: new QueryCache({
    // Whichever page hears first that the sign-in has ended, the whole application knows.
    onError: (error, query) => {
      if (error instanceof ApiError && error.status === 401 && query.queryKey[0] !== 'me')
        void queryClient.invalidateQueries({ queryKey: ['me'] });
    },
  }),
  defaultOptions: {
    queries: {
      gcTime: cacheLastsMs,
      staleTime: 0,
      // Not by age: on a device whose clock was set back, what was fetched before would pass for fresh.
      refetchOnMount: 'always',
      networkMode: 'always',
      retry: (count, error) => !(error instanceof ApiError) && count < 1,
      refetchOnWindowFocus: true,
    },
    mutations: { networkMode: 'always', retry: false },
  },
});

// Fetched or taken from this device: whoever is in brings the room's own time.
queryClient.getQueryCache().subscribe(({ query }) => {
  const [of] = query.queryKey as readonly unknown[];
  if (of === 'me' && query.state.data) showTimesIn((query.state.data as Me).timeZone);
});

const cacheKey = 'queries';

/**
 * What was fetched once is kept as fetched, even where fetching it again has failed since (the server is away): else a
 * second reload without a network would find nothing.
 */
function serialize(client: PersistedClient): string {
  const queries = client.clientState.queries.map((query) => ({
    ...query,
    state: { ...query.state, status: 'success', error: null, fetchFailureReason: null, fetchStatus: 'idle' },
  }));
  return JSON.stringify({ ...client, clientState: { ...client.clientState, queries } });
}

/** Which queries are kept: those with something in them. */
export const keptQueries = {
  shouldDehydrateQuery: (query: Query) => query.state.data !== undefined,
} as const;

/** The fetched pages of whoever is in, on this device. */
export const keptCache = createKeptCache(() => deviceDb());

/** Keeps the fetched pages on this device, so that the application opens without a network. Cleared on signing out. */
export const persister = createAsyncStoragePersister({
  key: cacheKey,
  throttleTime: 500,
  serialize,
  storage: keptCache,
});

export const meQuery = queryOptions({
  queryKey: ['me'],
  queryFn: async () => {
    const nobody = new ApiError(401, { message: 'Sign in to go on.' });
    if (await finishSigningOut()) throw nobody;
    // Of nobody anything is known here: whether anybody is signed in is asked first, and only then who.
    if (queryClient.getQueryData(['me']) === undefined && !(await api.setup()).signedIn) throw nobody;
    return api.me();
  },
  staleTime: 60_000,
});
export const pathwaysQuery = queryOptions({ queryKey: ['pathways'], queryFn: api.pathways });
queryClient.getQueryCache().subscribe(({ query }) => {
  // Fetched or taken from this device's store, the book is what was last known.
  const [kind] = query.queryKey as readonly unknown[];
  if (kind === 'pathways' && query.state.data !== undefined)
    takeOwnPathways(query.state.data as OwnPathway[]);
});
export const peopleQuery = queryOptions({ queryKey: ['people'], queryFn: api.people });
export const sessionsQuery = queryOptions({ queryKey: ['sessions'], queryFn: api.ownSessions });
export const roomPolicyQuery = queryOptions({ queryKey: ['roomPolicy'], queryFn: api.roomPolicy });
/** The mark of the list last fetched by this page: one that is the same is not sent again. */
let listMark: string | null = null;
export const pupilsQuery = queryOptions({
  queryKey: ['pupils'],
  queryFn: async (): Promise<Pupil[]> => {
    const held = queryClient.getQueryData<Pupil[]>(['pupils']);
    const found = await api.pupils(held ? listMark : null);
    if (!found) return held ?? [];
    listMark = found.mark;
    const { pupils } = found;
    await forgetGone(new Set(pupils.map((one) => one.id)));
    return pupils;
  },
});
export const pupilPageQuery = (id: string) =>
  queryOptions({ queryKey: ['pupil', id], queryFn: () => api.pupilPage(id) });
/** The pictures a pupil made of facts: hints at the table, kept for where there is no network. */
export const picturesQuery = (id: string) =>
  queryOptions({ queryKey: ['pictures', id], queryFn: () => api.pictures(id) });
/** What is planned around today, with what this device has not sent yet: nobody's own word is gone while it waits. */
export const plannedQuery = queryOptions({
  queryKey: ['planned'],
  queryFn: async (): Promise<Planned> => {
    const found = await api.planned();
    const waiting = (await (await deviceDb()).getAll('outbox')).flatMap(({ event, userId }) =>
      event.kind === 'planChanged' ? [planChangeOf(event, userId)] : [],
    );
    return { ...found, changes: [...found.changes, ...waiting] };
  },
});

/** Secret addresses at which other programs read one's own visits. */
export const calendarLinksQuery = queryOptions({ queryKey: ['calendarLinks'], queryFn: api.calendarLinks });

/** A change of what is planned as it is kept, of one as it is sent. */
export const planChangeOf = (event: EventOf<'planChanged'>, by: string): PlanChange => ({
  ...{ id: event.id, kind: event.what, pupilId: event.pupilId, day: event.day, key: event.key },
  ...{ value: event.value as PlanChange['value'], at: event.at, by, seen: event.seen },
});

/** Packs kept for a pupil, and those of the room. */
export const packsQuery = (id: string) =>
  queryOptions({ queryKey: ['packs', id], queryFn: () => api.packs(id) });
export const pupilGamesQuery = (id: string) =>
  queryOptions({ queryKey: ['pupilGames', id], queryFn: () => api.gamesOf(id) });
/** One's own games that were begun and not ended, whichever device they stand on. */
export const openTablesQuery = queryOptions({ queryKey: ['openTables'], queryFn: api.openTables });
export const tableOnRecordQuery = (playId: string) =>
  queryOptions({
    queryKey: ['tableOnRecord', playId],
    queryFn: () => api.tableOnRecord(playId),
    // What is taken up is what is on record now.
    gcTime: 0,
  });
export const houseRulesQuery = queryOptions({ queryKey: ['houseRules'], queryFn: api.houseRules });
export const reviewQuery = (playId: string) =>
  queryOptions({ queryKey: ['review', playId], queryFn: () => api.review(playId) });
export const factAnswersQuery = (id: string, fact: string) =>
  queryOptions({ queryKey: ['answers', id, fact], queryFn: () => api.answersOnFact(id, fact) });

/** Everything that hangs on answers or decisions is fetched afresh. */
export async function refetchRecords(): Promise<void> {
  await Promise.all(
    [
      'pupils',
      'pupil',
      'planned',
      'pupilGames',
      'pictures',
      'review',
      'answers',
      'proposalAnswers',
      'decisionAnswers',
      'ceilingAnswers',
    ].map((key) => queryClient.invalidateQueries({ queryKey: [key] })),
  );
}

/** Queries that name their pupil. */
const ofPupil: ReadonlySet<string> = new Set([
  'pupil',
  'pupilGames',
  'pictures',
  'packs',
  'answers',
  'proposalAnswers',
  'ceilingAnswers',
]);

/** Whose a review is, or the answers behind a decision. */
function pupilIdIn(data: unknown): string | undefined {
  const one = (Array.isArray(data) ? data[0] : data) as
    { readonly pupilId?: string; readonly pupil?: { readonly id: string } } | undefined;
  return one?.pupilId ?? one?.pupil?.id;
}

/** Pupils deleted since, on another device: nothing of them stays on this one. */
export async function forgetGone(here: ReadonlySet<string>): Promise<void> {
  const isGone = ({ queryKey, state }: Query): boolean => {
    const [kind, id] = queryKey;
    if (ofPupil.has(kind as string)) return !here.has(id as string);
    const of = pupilIdIn(state.data);
    return of !== undefined && !here.has(of);
  };
  // A page that looks at one asks again and is told; taken from under it, it would wait for ever. One that asks just now hears anyway.
  queryClient.removeQueries({ predicate: (query) => isGone(query) && query.getObserversCount() === 0 });
  void queryClient.resetQueries({ predicate: (query) => isGone(query) && query.state.data !== undefined });
  queryClient.setQueryData<Planned>(['planned'], (held) => held && plannedWithout(held, here));
  const db = await deviceDb();
  for (const play of await db.getAll('plays')) {
    const seats = isGame(play) ? play.seats.flatMap(({ pupil }) => pupil?.id ?? []) : [play.pupilId];
    // A play that is under way is left to itself: its pupil may have been added here and not be known there yet.
    if (play.state.status === 'over' && seats.some((id) => !here.has(id))) await deletePlay(db, play.playId);
  }
}

/** What is planned without what is of pupils who are gone. */
function plannedWithout(held: Planned, here: ReadonlySet<string>): Planned {
  const stays = ({ pupilId }: { readonly pupilId: string | null }) => pupilId === null || here.has(pupilId);
  return {
    ...held,
    changes: held.changes.filter(stays),
    lately: held.lately.filter(stays),
    games: held.games.filter(stays),
    done: held.done.filter(stays),
    minutes: held.minutes.filter(stays),
  };
}
