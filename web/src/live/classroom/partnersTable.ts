import {
  allStand,
  dealRound,
  holdTogether,
  partnerCards,
  partnerRulesAtFirst,
  startRound,
  swapRound,
  type PartnerRules,
  type PartnersRound,
  type PartnersVerdict,
} from '@veldrift/core/games';
import { mostDevices, type ClassShow, type NewLink, type SeatTells } from '@veldrift/wire';

/** A device not heard of for so long gets no card, ms. */
export const deviceGoneAfterMs = 12_000;

/** Printed cards in the children's hands, or a card on each device. */
export type PartnersWay = 'paper' | 'devices';

/** What two cards that somebody held side by side came to. */
export interface HeldTogether {
  readonly numbers: readonly [number, number];
  readonly verdict: PartnersVerdict;
}

/** All of it that outlives a reload; times are ms since 1970 on this machine. */
export interface PartnersKept {
  readonly way: PartnersWay;
  readonly rules: PartnerRules;
  /** Of printed cards; on devices as many as are here. */
  readonly children: number;
  readonly seed: number;
  readonly link: NewLink | null;
  readonly seq: number;
  readonly round: PartnersRound | null;
  /** The device of each child that is dealt to. */
  readonly seats: readonly number[];
  /** Times to all found of the rounds before, ms. */
  readonly past: readonly number[];
}

export interface PartnersNow extends PartnersKept {
  /** Seats heard of lately. */
  readonly here: readonly number[];
  readonly told: ClassShow['told'];
  /** What was looked at last at this screen; null: nothing. */
  readonly looked: HeldTogether | null;
  readonly trouble: string | null;
  readonly opening: boolean;
}

/** The table's end of a line to all devices of a class. */
export interface ClassLine {
  readonly show: (show: ClassShow) => void;
  /** Lets go, once what was last shown is there. */
  readonly close: () => Promise<void>;
}

export interface PartnersHow {
  /** ms since 1970, in one line through reloads. */
  readonly now: () => number;
  readonly newSeed: () => number;
  readonly makeClass: (seats: number) => Promise<NewLink>;
  readonly dropLink: (id: string) => Promise<unknown>;
  readonly line: (link: string, onTells: (tells: SeatTells) => void, onLost: () => void) => ClassLine;
  readonly kept: PartnersKept | null;
  readonly keep: (kept: PartnersKept) => void;
}

const sentence = (error: unknown) =>
  error instanceof RangeError ? error.message : 'It could not be dealt. Try again.';

/** Finding partners with a class: what the grown-up’s screen holds. Knows no React: it is read by `now` and tells of changes. */
export function openPartnersTable(how: PartnersHow) {
  let state: PartnersNow = {
    ...(how.kept ?? {
      ...{ way: 'paper', rules: partnerRulesAtFirst, children: 24, seed: how.newSeed(), link: null },
      ...{ seq: 0, round: null, seats: [], past: [] },
    }),
    ...{ here: [], told: [], looked: null, trouble: null, opening: false },
  };
  let line: ClassLine | undefined;
  const heardAt = new Map<number, number>();
  const listeners = new Set<() => void>();

  const hereNow = () =>
    [...heardAt]
      .filter(([, at]) => how.now() - at <= deviceGoneAfterMs)
      .map(([seat]) => seat)
      .sort((a, b) => a - b);
  const put = (over: Partial<PartnersNow>, shows = true) => {
    state = { ...state, ...over };
    if (shows && line) {
      state = { ...state, seq: state.seq + 1 };
      line.show(shownOf(state));
    }
    const { way, rules, children, seed, link, seq, round, seats, past } = state;
    how.keep({ way, rules, children, seed, link, seq, round, seats, past });
    listeners.forEach((listener) => listener());
  };
  const onTells = (tells: SeatTells) => {
    const { seat } = tells;
    const before = heardAt.has(seat);
    heardAt.set(seat, how.now());
    if (tells.kind === 'hold' && tells.card !== undefined) return holds(seat, tells.card, tells.nth ?? 0);
    // One who is new is shown what lies there by the server; here only the count changes.
    if (!before) put({ here: hereNow() }, false);
  };
  const holds = (seat: number, card: number, nth: number) => {
    const { round, seats, told } = state;
    const own = round?.cards[round.hands[seats.indexOf(seat)] ?? NaN];
    if (!round || !own) return;
    const { round: next, verdict } = holdTogether(round, [own.number, card], how.now());
    put({
      ...ended(next),
      told: [...told.filter((one) => one.seat !== seat), { seat, nth, verdict }],
      here: hereNow(),
    });
  };
  /** A round after something was found: the last one's time is kept when it is done. */
  const ended = (next: PartnersRound): Partial<PartnersNow> =>
    next.doneMs !== null && state.round?.doneMs === null
      ? { round: next, past: [...state.past, next.doneMs] }
      : { round: next };
  const listen = (link: NewLink) => {
    line = how.line(link.id, onTells, () => {
      line = undefined;
      put({ link: null, here: [], trouble: 'The class has run out. Open it anew for the devices.' });
    });
  };
  const fresh = { looked: null, told: [], trouble: null };
  const { link: kept } = state;
  if (kept) {
    // Loaded anew: those who had a card are taken to be here until they have had the time to say so.
    for (const seat of state.seats) heardAt.set(seat, how.now());
    state = { ...state, here: hereNow() };
    listen(kept);
  }

  return {
    subscribe: (listener: () => void) => {
      listeners.add(listener);
      return () => void listeners.delete(listener);
    },
    now: () => state,
    /** Looks again who is here; to be called every now and then. */
    look: () => {
      const here = hereNow();
      if (here.join() !== state.here.join()) put({ here }, false);
    },
    set: (over: Partial<Pick<PartnersNow, 'way' | 'rules' | 'children' | 'seed'>>) =>
      put({ ...over, ...fresh, round: null, seats: [], past: [] }),
    openDoor: async (): Promise<void> => {
      if (state.link || state.opening) return;
      put({ opening: true, trouble: null }, false);
      try {
        const link = await how.makeClass(mostDevices);
        listen(link);
        put({ link, opening: false });
      } catch {
        put({
          opening: false,
          trouble: 'A code needs the server, and it cannot be reached now. Printed cards work without it.',
        });
      }
    },
    closeDoor: async (): Promise<void> => {
      const { link } = state;
      if (!link) return;
      put({ round: null, seats: [] }, false);
      state = { ...state, seq: state.seq + 1 };
      line?.show({ ...shownOf(state), stage: 'over' });
      const closing = line;
      line = undefined;
      heardAt.clear();
      put({ link: null, here: [] }, false);
      try {
        await closing?.close();
        await how.dropLink(link.id);
      } catch {
        // The server is away: it runs out by itself.
      }
    },
    /** Deals new cards to all who are here, or on paper the printed ones. */
    deal: (seed: number = state.seed) => {
      const seats = state.way === 'devices' ? hereNow() : [];
      const children = state.way === 'devices' ? seats.length : state.children;
      if (state.way === 'devices' && children < 2)
        return put({ trouble: 'Two devices at least should have joined.' }, false);
      try {
        const round = dealRound(partnerCards(state.rules, children, seed), children, seed);
        put({ ...fresh, seed, round, seats });
      } catch (error) {
        put({ trouble: sentence(error) }, false);
      }
    },
    start: () => {
      const { round } = state;
      if (round) put({ round: startRound(round, how.now()), ...fresh });
    },
    /** Two printed cards that somebody holds up. */
    hold: (one: number, other: number) => {
      if (!state.round) return;
      const { round, verdict } = holdTogether(state.round, [one, other], how.now());
      put({ ...ended(round), looked: { numbers: [one, other], verdict } });
    },
    allStand: () => {
      if (state.round) put(ended(allStand(state.round, how.now())));
    },
    /** The same cards in other hands; where a device has come or gone since, new cards. */
    swap: () => {
      const { round, seed, seats, way } = state;
      if (!round) return;
      const here = hereNow();
      if (way === 'paper' || here.join() === seats.join())
        return put({ ...fresh, round: swapRound(round, seed) });
      if (here.length < 2) return put({ trouble: 'Two devices at least should be here.' }, false);
      try {
        const cards = partnerCards(state.rules, here.length, seed);
        put({ ...fresh, seats: here, round: dealRound(cards, here.length, seed, round.nth + 1) });
      } catch (error) {
        put({ trouble: sentence(error) }, false);
      }
    },
  };
}
export type PartnersTable = ReturnType<typeof openPartnersTable>;

/** What lies on every device. */
function shownOf({ seq, round, seats, told }: PartnersNow): ClassShow {
  if (!round)
    return {
      seq,
      round: 0,
      stage: 'waits',
      cards: [],
      hands: [],
      found: [],
      told: [],
      says: 'Wait for a card.',
    };
  const found = new Set(round.found.map(({ pair }) => pair));
  return {
    ...{ seq, round: round.nth, told: [...told], says: '' },
    stage: round.doneMs !== null ? 'done' : round.startedAt !== null ? 'looks' : 'waits',
    // Which belong together is not told to the devices.
    cards: round.cards.map(({ number, face }) => ({ number, face })),
    hands: seats.map((seat, child) => ({ seat, card: round.hands[child] ?? null })),
    found: round.cards.filter(({ pair }) => found.has(pair)).map(({ number }) => number),
  };
}
