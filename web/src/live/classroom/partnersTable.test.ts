import type { ClassShow, NewLink, SeatTells } from '@veldrift/wire';
import { describe, expect, it } from 'vitest';
import { deviceGoneAfterMs, openPartnersTable, type PartnersKept } from './partnersTable.ts';

const link: NewLink = { id: 'class-1', code: '12345678', expiresAt: '2026-12-01T12:00:00Z' };

/** A table over a line that loses nothing, by a clock that is set. */
function opened(
  kept: PartnersKept | null = null,
  makes: () => Promise<NewLink> = () => Promise.resolve(link),
) {
  const house = {
    at: 1000,
    shows: [] as ClassShow[],
    kept: kept,
    dropped: [] as string[],
    closed: 0,
    tells: (_: SeatTells) => undefined as void,
    lost: () => undefined as void,
  };
  const table = openPartnersTable({
    now: () => house.at,
    newSeed: () => 7,
    makeClass: makes,
    dropLink: (id) => Promise.resolve(house.dropped.push(id)),
    line: (_id, onTells, onLost) => {
      house.tells = onTells;
      house.lost = onLost;
      return {
        show: (show) => void house.shows.push(show),
        close: () => {
          house.closed += 1;
          return Promise.resolve();
        },
      };
    },
    kept,
    keep: (now) => {
      house.kept = now;
    },
  });
  const come = (...seats: readonly number[]) => seats.forEach((seat) => house.tells({ kind: 'here', seat }));
  return { table, house, come };
}

const last = ({ shows }: { readonly shows: readonly ClassShow[] }) => shows.at(-1) as ClassShow;
/** The number on the card of a seat, and on its partner’s, as the table knows them. */
function cardsOf({ round, seats }: Pick<PartnersKept, 'round' | 'seats'>, seat: number) {
  const own = round?.cards[round.hands[seats.indexOf(seat)] ?? NaN];
  const partner = round?.cards.find((one) => one.pair === own?.pair && one !== own);
  return { own: own?.number ?? NaN, partner: partner?.number ?? NaN };
}

describe('finding partners with printed cards', () => {
  it('times a round from its start to the last pair, tells what two cards come to, and keeps the times', () => {
    const { table, house } = opened();
    table.set({ way: 'paper', children: 4 });
    table.deal();
    house.at = 5000;
    table.start();
    const { round } = table.now();
    const pairOf = (pair: number) =>
      (round?.cards ?? []).filter((one) => one.pair === pair).map((one) => one.number) as [number, number];
    house.at = 9000;
    table.hold(pairOf(0)[0], pairOf(1)[0]);
    expect(table.now().looked?.verdict).toBe('apart');
    table.hold(...pairOf(0));
    expect(table.now().looked?.verdict).toBe('together');
    house.at = 12_500;
    table.hold(...pairOf(1));
    expect(table.now().round?.doneMs).toBe(7500);
    expect(table.now().past).toEqual([7500]);
    table.allStand();
    expect(table.now().past).toEqual([7500]);
    table.swap();
    expect(table.now()).toMatchObject({ looked: null, round: { nth: 2, startedAt: null } });
    house.at = 20_000;
    table.start();
    house.at = 50_000;
    table.allStand();
    expect(table.now().past).toEqual([7500, 30_000]);
    // Another kind of cards is another series.
    table.set({ children: 6 });
    expect(table.now()).toMatchObject({ past: [], round: null });
  });

  it('says what cannot be dealt, and leaves what lies there', () => {
    const { table } = opened();
    table.set({ children: 30, rules: { kind: 'pips', operations: ['add'], largest: 10 } });
    table.deal();
    expect(table.now().trouble).toMatch(/There are 10 pairs/);
    expect(table.now().round).toBeNull();
  });
});

describe('finding partners on devices', () => {
  const joined = async (...seats: readonly number[]) => {
    const own = opened();
    own.table.set({ way: 'devices' });
    await own.table.openDoor();
    own.come(...seats);
    return own;
  };

  it('deals a card to each device that is here, one waiting where they are odd, and to none that is gone', async () => {
    const { table, house, come } = await joined(1, 2, 3, 4, 5, 6);
    house.at += deviceGoneAfterMs;
    come(1, 2, 3, 5, 6);
    house.at += 1;
    table.look();
    expect(table.now().here).toEqual([1, 2, 3, 5, 6]);
    table.deal();
    const { hands, stage, cards } = last(house);
    expect(hands.map(({ seat }) => seat)).toEqual([1, 2, 3, 5, 6]);
    expect(hands.filter(({ card }) => card === null)).toHaveLength(1);
    expect(stage).toBe('waits');
    // Nothing that goes to a device tells which belong together.
    expect(Object.keys(cards[0] ?? {})).toEqual(['number', 'face']);
  });

  it('judges what each holds against its own card, and tells it that seat alone', async () => {
    const { table, house } = await joined(1, 2, 3, 4);
    table.deal();
    const one = cardsOf(table.now(), 1);
    house.tells({ kind: 'hold', seat: 1, card: one.partner, nth: 1 });
    expect(last(house).told).toEqual([{ seat: 1, nth: 1, verdict: 'notBegun' }]);
    table.start();
    const other = [2, 3, 4].find((seat) => cardsOf(table.now(), seat).own !== one.partner) as number;
    house.tells({ kind: 'hold', seat: 1, card: cardsOf(table.now(), other).own, nth: 2 });
    expect(last(house).told).toEqual([{ seat: 1, nth: 2, verdict: 'apart' }]);
    house.at += 2500;
    house.tells({ kind: 'hold', seat: 1, card: one.partner, nth: 3 });
    expect(last(house)).toMatchObject({ stage: 'looks', told: [{ seat: 1, nth: 3, verdict: 'together' }] });
    expect([...last(house).found].sort()).toEqual([one.own, one.partner].sort());
    // Its partner tries too: found already.
    const partner = [2, 3, 4].find((seat) => cardsOf(table.now(), seat).own === one.partner) as number;
    house.tells({ kind: 'hold', seat: partner, card: one.own, nth: 1 });
    expect(last(house).told).toContainEqual({ seat: partner, nth: 1, verdict: 'found' });
    const rest = [2, 3, 4].find((seat) => seat !== partner) as number;
    house.at += 500;
    house.tells({ kind: 'hold', seat: rest, card: cardsOf(table.now(), rest).partner, nth: 9 });
    expect(last(house).stage).toBe('done');
    expect(table.now().past).toEqual([3000]);
  });

  it('swaps cards in the same hands; where somebody has come or gone, deals to those who are here', async () => {
    const { table, house, come } = await joined(1, 2, 3, 4);
    table.deal();
    const before = table.now().round;
    table.start();
    table.allStand();
    table.swap();
    expect(table.now().round).toMatchObject({ nth: 2, cards: before?.cards });
    come(5);
    table.swap();
    expect(last(house).hands.map(({ seat }) => seat)).toEqual([1, 2, 3, 4, 5]);
    expect(last(house).round).toBe(3);
  });

  it('wants two devices at least, and says so where no code can be made', async () => {
    const { table } = await joined(1);
    table.deal();
    expect(table.now().trouble).toMatch(/Two devices/);
    const away = opened(null, () => Promise.reject(new Error('away')));
    away.table.set({ way: 'devices' });
    await away.table.openDoor();
    expect(away.table.now()).toMatchObject({ link: null, opening: false });
    expect(away.table.now().trouble).toMatch(/Printed cards work without it/);
  });

  it('goes on after a reload where it stood, and what it shows is newer than what was shown', async () => {
    const { table, house } = await joined(1, 2, 3, 4);
    table.deal();
    table.start();
    const { seq } = last(house);
    const again = opened(house.kept);
    again.house.at = house.at + 4000;
    // Those who had a card are not taken to be gone, though none has been heard of yet.
    expect(again.table.now().here).toEqual([1, 2, 3, 4]);
    const own = cardsOf(again.table.now(), 3);
    again.house.tells({ kind: 'hold', seat: 3, card: own.partner, nth: 1 });
    expect(last(again.house).seq).toBeGreaterThan(seq);
    expect(again.table.now().round?.found).toEqual([{ pair: expect.any(Number) as number, afterMs: 4000 }]);
  });

  it('lets the devices go with a last word, and says so where the class has run out', async () => {
    const { table, house } = await joined(1, 2);
    table.deal();
    await table.closeDoor();
    expect(last(house).stage).toBe('over');
    expect([house.dropped, house.closed]).toEqual([['class-1'], 1]);
    expect(table.now()).toMatchObject({ link: null, here: [], round: null });
    const late = await joined(1, 2);
    late.house.lost();
    expect(late.table.now()).toMatchObject({ link: null });
    expect(late.table.now().trouble).toMatch(/run out/);
  });
});
