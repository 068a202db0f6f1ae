import {
  createRandom,
  diceWords,
  displaySigns,
  itemText,
  joinText,
  parseFactKey,
  recipeWords,
  skillItem,
  skillKinds,
  tryParseSkill,
  type Operation,
  type SkillKind,
} from '@veldrift/core';
import {
  evidenceOf,
  families,
  games,
  modelMove,
  playMove,
  type AnyGame,
  type Evidence,
  type Family,
  type ModelPlayer,
  type Play,
} from '@veldrift/core/games';

const titles: Readonly<Record<Family, string>> = {
  recall: 'Quick recall',
  first: 'First to say',
  compare: 'Compare',
  partners: 'Partners',
  make: 'Make the number',
  boards: 'Boards',
  totals: 'Totals and areas',
  talk: 'Talk, touch and warm-ups',
};

/** Moves of one model game of each step, with two seats: as far as what goes on record is looked for. */
const movesEach = 150;
const player: ModelPlayer = { right: () => 0.8, sees: 0.5, timeMs: 2000 };

/** Every game on the shelf by families, in Markdown, from the games' own data and from what their model games put on record. */
export function gamePages(): string {
  const chapters = families.flatMap((family) => {
    const own = games.filter((game) => game.family === family);
    return [`## ${titles[family]}`, ...own.flatMap(pageOf)];
  });
  const list = families.map(
    (family) =>
      `- ${titles[family]}: ${games
        .filter((game) => game.family === family)
        .map(({ name }) => name)
        .join(' · ')}`,
  );
  return [
    '# Games',
    `${games.length} games, as the app knows them: made by \`npm run docs\`, never by hand.`,
    list.join('\n'),
    ...chapters,
  ].join('\n\n');
}

function pageOf(game: AnyGame): string[] {
  const { name, told, seats, minutes, steps } = game;
  const players = seats.least === seats.most ? String(seats.least) : `${seats.least} to ${seats.most}`;
  return [
    `### ${name}`,
    `${told.aim} ${players} players, about ${minutes} minutes.`,
    told.turn.map((line, nth) => `${nth + 1}. ${line}`).join('\n'),
    `Ends: ${told.ends} Such as: ${told.example}`,
    [
      '| step | lay out | on record |',
      '| --- | --- | --- |',
      ...steps.map((step, nth) => `| ${step.name} | ${layOut(game, step.rules)} | ${onRecord(game, nth)} |`),
    ].join('\n'),
  ];
}

function layOut(game: AnyGame, rules: unknown): string {
  const { pack, dice, others } = game.materials(rules);
  return [
    ...(pack ? [recipeWords(pack).replace(/\.$/, '') || 'a whole pack'] : []),
    ...(dice.length > 0 ? [diceWords(dice)] : []),
    ...(others.length > 0 ? [joinText(others)] : []),
  ].join('; ');
}

/** What a step puts on record: facts by their operations with what is timed told apart, and skills. */
function onRecord(game: AnyGame, step: number): string {
  const found = evidenceIn(game, step);
  const facts = new Map<Operation, boolean>();
  const skills = new Set<string>();
  for (const { item, timed } of found)
    if (item.kind === 'skill') skills.add(itemText(skillItem(item.key)));
    else {
      const { operation } = parseFactKey(item.key);
      facts.set(operation, timed || (facts.get(operation) ?? false));
    }
  const told = [
    ...[...facts].map(([operation, timed]) => `facts of ${displaySigns[operation]}${timed ? ', timed' : ''}`),
    ...[...skills].sort(),
  ];
  return told.join('; ') || 'nothing';
}

/** Skills beyond the facts that each game puts on record at some step, by its id: what the shelf finds it by. */
export function skillsByGame(): Record<string, SkillKind[]> {
  return Object.fromEntries(
    games.map((game) => {
      const found = game.steps.flatMap((_, step) => evidenceIn(game, step));
      const kinds = new Set(
        found.flatMap(({ item }) => (item.kind === 'skill' ? (tryParseSkill(item.key)?.kind ?? []) : [])),
      );
      return [game.id, (Object.keys(skillKinds) as SkillKind[]).filter((kind) => kinds.has(kind))];
    }),
  );
}

/** One model game, seeded. */
function evidenceIn(game: AnyGame, step: number): Evidence[] {
  const seats = Math.max(2, game.seats.least);
  const play: Play<unknown> = { rules: game.steps[step]?.rules, seats, against: true, seed: 7 };
  const random = createRandom(7);
  const players = Array<ModelPlayer>(seats).fill(player);
  const out: Evidence[] = [];
  let state = game.setUp(play);
  for (let nth = 0; nth < movesEach && state.over === null; nth += 1) {
    const move = modelMove(game, play, state, players, random);
    if (!move) break;
    out.push(...evidenceOf(game, play, state, move));
    state = playMove(game, play, state, move);
  }
  return out;
}
