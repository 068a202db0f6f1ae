/** What a child can be asked beyond the facts of the map. `takes`: the number that goes with it, as in bonds to 10. */
export const skillKinds = {
  cmp: { name: 'Which is larger', takes: null },
  cnt: { name: 'How many, by counting', takes: null },
  glance: { name: 'How many, at a glance', takes: null },
  place: { name: 'The largest number of so many cards', takes: 'cards' },
  read: { name: 'Reading a number aloud', takes: 'digits' },
  'line:add': { name: 'Adding larger numbers', takes: null },
  'line:sub': { name: 'Taking away larger numbers', takes: null },
  'line:mul': { name: 'Multiplying larger numbers', takes: null },
  chain: { name: 'Several in a row', takes: null },
  make: { name: 'Making a number from others', takes: null },
  bond: { name: 'What is missing to', takes: 'total' },
  pow: { name: 'Powers', takes: null },
  'frac:cmp': { name: 'Comparing fractions', takes: null },
  'frac:name': { name: 'Naming fractions', takes: null },
  rule: { name: 'Finding the rule', takes: null },
  mend: { name: 'Finding what slipped', takes: null },
  count: { name: 'Counting on by', takes: 'step' },
  write: { name: 'Writing the numeral', takes: 'numeral' },
  sign: { name: 'What a sign means', takes: null },
  'quot:rem': { name: 'Quotients with a remainder', takes: null },
} as const satisfies Readonly<Record<string, { readonly name: string; readonly takes: string | null }>>;

type Kinds = typeof skillKinds;
export type SkillKind = keyof Kinds;
type Taking = { [K in SkillKind]: Kinds[K]['takes'] extends null ? never : K }[SkillKind];

/** A skill's stored name in ASCII: `cmp`, `line:add`, `bond:10`. Stored, exported, imported; never changes. */
export type SkillKey = Exclude<SkillKind, Taking> | `${Taking}:${number}`;

const takenPattern = /^([a-z]+):(0|[1-9]\d{0,2})$/;

/** What a skill is, and the number that goes with it; undefined where there is no such skill. */
export function tryParseSkill(
  key: string,
): { readonly kind: SkillKind; readonly number: number | null } | undefined {
  if (Object.hasOwn(skillKinds, key)) {
    const kind = key as SkillKind;
    return skillKinds[kind].takes === null ? { kind, number: null } : undefined;
  }
  const match = takenPattern.exec(key);
  const kind = match?.[1] as SkillKind | undefined;
  return match && kind && Object.hasOwn(skillKinds, kind) && skillKinds[kind].takes !== null
    ? { kind, number: Number(match[2]) }
    : undefined;
}

export const isSkillKey = (key: string): key is SkillKey => tryParseSkill(key) !== undefined;

/** A skill in words: "Which is larger", "What is missing to 10". Throws RangeError where there is no such skill. */
export function skillText(key: string): string {
  const skill = tryParseSkill(key);
  if (!skill) throw new RangeError(`"${key}" is not a skill such as cmp or bond:10.`);
  const { name } = skillKinds[skill.kind];
  if (skill.number === null) return name;
  return skill.kind === 'place' ? `The largest number of ${skill.number} cards` : `${name} ${skill.number}`;
}
