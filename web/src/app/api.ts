import type { FactKey, FactPicture, OwnPathway, Policy } from '@veldrift/core';
import {
  type ClassShow,
  type ClassTells,
  type Joined,
  pupilsOf,
  type BatchResult,
  type CalendarLink,
  type ChangePassword,
  type ChildShow,
  type ChildTells,
  type DecideInput,
  type FactChance,
  type FirstRoom,
  type HouseRules,
  type HouseRulesInput,
  type KeptPack,
  type KeptPackInput,
  type JoinRoom,
  type AnyKeptAnswer,
  type KeptAnswer,
  type KeptDecision,
  type Me,
  type NewLink,
  type NewPass,
  type NewPassword,
  type OpenTable,
  type OwnSession,
  type OwnWay,
  type Pass,
  type People,
  type PlaceInput,
  type Planned,
  type Problem,
  type Pupil,
  type PupilGame,
  type PupilChange,
  type PupilInput,
  type PupilList,
  type PupilPage,
  type ReviewPage,
  type SignIn,
  type StepInput,
  type TableOnRecord,
} from '@veldrift/wire';
import type { SendOutcome } from '../live/outbox.ts';

/** A request that was refused, with the server's sentence; or one that got no answer (`status` 0). */
export class ApiError extends Error {
  constructor(
    readonly status: number,
    readonly problem: Problem,
    /** When the server asked to be asked again, ms. */
    readonly retryAfterMs?: number,
  ) {
    super(problem.message);
  }

  /** No network, or no server at the other end. */
  get away(): boolean {
    return this.status === 0 || this.status === 502 || this.status === 503 || this.status === 504;
  }
}

const awaySentence =
  'The server cannot be reached. What you do is kept on this device and sent when it is back.';

/** A request that is not answered in so long is not going to be: the way to the server is gone, ms. */
const patienceMs = 30_000;

async function call<T>(method: string, path: string, body?: unknown): Promise<T> {
  return (await ask(method, path, body)).parsed as T;
}

async function ask(
  method: string,
  path: string,
  body?: unknown,
  headers: Readonly<Record<string, string>> = {},
): Promise<{ readonly response: Response; readonly parsed: unknown }> {
  let response: Response;
  let text: string;
  try {
    response = await fetch(`/api${path}`, {
      method,
      credentials: 'same-origin',
      signal: AbortSignal.timeout(patienceMs),
      ...(method === 'GET'
        ? { headers }
        : {
            headers: { ...headers, 'content-type': 'application/json' },
            body: JSON.stringify(body ?? {}),
          }),
    });
    text = await response.text();
  } catch {
    throw new ApiError(0, { message: awaySentence });
  }
  let parsed: unknown;
  try {
    parsed = text === '' ? undefined : JSON.parse(text);
  } catch {
    throw new ApiError(0, { message: awaySentence });
  }
  if (!response.ok && response.status !== 304)
    throw new ApiError(response.status, problemOf(parsed), retryAfterOf(response));
  return { response, parsed };
}

function retryAfterOf(response: Response): number | undefined {
  const seconds = Number(response.headers.get('retry-after') ?? NaN);
  return Number.isFinite(seconds) ? seconds * 1000 : undefined;
}

function problemOf(parsed: unknown): Problem {
  const message = (parsed as { message?: unknown } | undefined)?.message;
  return typeof message === 'string'
    ? (parsed as Problem)
    : { message: 'The server refused this without saying why.' };
}

export const api = {
  setup: () => call<{ empty: boolean; signedIn: boolean }>('GET', '/setup'),
  me: () => call<Me>('GET', '/me'),
  signIn: (input: SignIn) => call<void>('POST', '/sign-in', input),
  signOut: () => call<void>('POST', '/sign-out'),
  firstRoom: (input: FirstRoom) => call<void>('POST', '/first-room', input),
  people: () => call<People>('GET', '/people'),
  invite: () => call<NewPass>('POST', '/people/invites'),
  withdrawInvite: (id: string) => call<void>('DELETE', `/people/invites/${id}`),
  removeMember: (id: string) => call<void>('DELETE', `/people/${id}`),
  resetLink: (id: string) => call<NewPass>('POST', `/people/${id}/reset`),
  ownSessions: () => call<OwnSession[]>('GET', '/account/sessions'),
  endSession: (id: string) => call<void>('DELETE', `/account/sessions/${id}`),
  changePassword: (input: ChangePassword) => call<void>('POST', '/account/password', input),
  lookAtPass: (token: string) => call<Pass>('POST', '/passes/look', { token }),
  joinRoom: (input: JoinRoom) => call<void>('POST', '/passes/join', input),
  newPassword: (input: NewPassword) => call<void>('POST', '/passes/reset', input),
  /** The list of pupils; null where it is still that of the mark given. */
  pupils: async (mark: string | null): Promise<{ pupils: Pupil[]; mark: string | null } | null> => {
    const { response, parsed } = await ask(
      'GET',
      '/pupils',
      undefined,
      mark ? { 'if-none-match': mark } : {},
    );
    return response.status === 304
      ? null
      : { pupils: pupilsOf(parsed as PupilList), mark: response.headers.get('etag') };
  },
  addPupil: (input: PupilInput) => call<Pupil>('POST', '/pupils', input),
  changePupil: (id: string, change: PupilChange) => call<Pupil>('PATCH', `/pupils/${id}`, change),
  keepOwnWay: (id: string, input: OwnWay) => call<Pupil>('PUT', `/pupils/${id}/ways`, input),
  pictures: (id: string) => call<FactPicture[]>('GET', `/pupils/${id}/pictures`),
  keepPicture: (id: string, picture: FactPicture) =>
    call<FactPicture[]>('PUT', `/pupils/${id}/pictures`, picture),
  dropPicture: (id: string, fact: FactKey) =>
    call<FactPicture[]>('DELETE', `/pupils/${id}/pictures`, { fact }),
  deletePupil: (id: string, confirm: string) => call<void>('DELETE', `/pupils/${id}`, { confirm }),
  pupilPage: (id: string) => call<PupilPage>('GET', `/pupils/${id}`),
  answersOnFact: (id: string, fact: string) =>
    call<KeptAnswer[]>('GET', `/pupils/${id}/answers?fact=${encodeURIComponent(fact)}`),
  chanceOfFact: (id: string, fact: string) =>
    call<FactChance>('GET', `/pupils/${id}/chance?fact=${encodeURIComponent(fact)}`),
  answersOfDecision: (id: string, decision: string, of: 'facts' | 'checks') =>
    call<AnyKeptAnswer[]>('GET', `/pupils/${id}/decisions/${decision}/answers?of=${of}`),
  answersOfProposal: (id: string, of: 'facts' | 'checks') =>
    call<KeptAnswer[]>('GET', `/pupils/${id}/proposal/answers?of=${of}`),
  answersOfCeiling: (id: string) => call<KeptAnswer[]>('GET', `/pupils/${id}/ceiling/answers`),
  openTables: () => call<OpenTable[]>('GET', '/tables'),
  tableOnRecord: (playId: string) => call<TableOnRecord>('GET', `/tables/${playId}`),
  gamesOf: (pupilId: string) => call<PupilGame[]>('GET', `/pupils/${pupilId}/games`),
  answersOfStep: (playId: string) => call<AnyKeptAnswer[]>('GET', `/plays/${playId}/stepAnswers`),
  sayStep: (pupilId: string, input: StepInput) =>
    call<KeptDecision>('POST', `/pupils/${pupilId}/steps`, input),
  calendarLinks: () => call<CalendarLink[]>('GET', '/calendar-links'),
  makeCalendarLink: (id: string, names: boolean) =>
    call<{ readonly token: string }>('POST', '/calendar-links', { id, names }),
  dropCalendarLink: (id: string) => call<void>('DELETE', `/calendar-links/${id}`, {}),
  planned: () => call<Planned>('GET', '/planned'),
  packs: (pupilId: string) => call<KeptPack[]>('GET', `/pupils/${pupilId}/packs`),
  keepPack: (input: KeptPackInput) => call<void>('POST', '/packs', input),
  dropPack: (id: string) => call<void>('DELETE', `/packs/${id}`, {}),
  houseRules: () => call<HouseRules[]>('GET', '/houseRules'),
  keepHouseRules: (input: HouseRulesInput) => call<void>('POST', '/houseRules', input),
  dropHouseRules: (id: string) => call<void>('DELETE', `/houseRules/${id}`, {}),
  review: (playId: string) => call<ReviewPage>('GET', `/plays/${playId}`),
  sayOutcome: (pupilId: string, of: 'placements' | 'lookBacks', input: PlaceInput) =>
    call<KeptDecision>('POST', `/pupils/${pupilId}/${of}`, input),
  joinChild: (code: string) => call<Joined>('POST', '/child/join', { code }),
  tellTable: (tells: ChildTells) => call<void>('POST', '/child/tell', tells),
  tellClass: (tells: ClassTells) => call<void>('POST', '/child/class-tell', tells),
  newLink: () => call<NewLink>('POST', '/links', {}),
  newClass: (seats: number) => call<NewLink>('POST', '/links', { seats }),
  showClass: (link: string, show: ClassShow) => call<void>('POST', `/links/${link}/show-class`, show),
  showOn: (link: string, show: ChildShow) => call<void>('POST', `/links/${link}/show`, show),
  dropLink: (link: string) => call<void>('DELETE', `/links/${link}`, {}),
  pathways: () => call<OwnPathway[]>('GET', '/pathways'),
  keepPathway: (own: OwnPathway) => call<OwnPathway>('PUT', `/pathways/${own.id}`, own),
  dropPathway: (id: string) => call<void>('DELETE', `/pathways/${id}`, {}),
  roomPolicy: () => call<{ policy: Partial<Policy> }>('GET', '/policy'),
  changeRoomPolicy: (policy: Partial<Policy>) => call<void>('PUT', '/policy', { policy }),
  undoDecision: (pupilId: string, decision: string, id: string) =>
    call<KeptDecision>('POST', `/pupils/${pupilId}/decisions/${decision}/undo`, { id }),
  decide: (pupilId: string, input: DecideInput) =>
    call<KeptDecision>('POST', `/pupils/${pupilId}/decisions`, input),
};

/** Sends a batch of events for the outbox. */
export async function sendEvents(events: readonly unknown[]): Promise<SendOutcome> {
  try {
    const result = await call<BatchResult>('POST', '/events', {
      deviceNow: new Date().toISOString(),
      events,
    });
    return { kind: 'sent', result };
  } catch (error) {
    if (!(error instanceof ApiError)) throw error;
    if (error.status === 401) return { kind: 'signIn' };
    if (error.away || error.status >= 500 || error.status === 429)
      return {
        kind: 'away',
        ...(error.retryAfterMs === undefined ? {} : { retryAfterMs: error.retryAfterMs }),
      };
    return { kind: 'refused', message: error.problem.message };
  }
}
