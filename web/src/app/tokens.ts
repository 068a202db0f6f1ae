/** The one place where colours are said. Every pair used for text is at least 4.5 : 1 (7 : 1 in high contrast). */
export interface Tokens {
  readonly paper: string;
  readonly sheet: string;
  readonly ink: string;
  readonly ink2: string;
  readonly hairline: string;
  /** Edges of things that can be pressed: 3 : 1 against paper. */
  readonly edge: string;
  readonly river: string;
  readonly onRiver: string;
  readonly riverLight: string;
  /** What is new or due, as a shape; `ochreInk` for words. */
  readonly ochre: string;
  readonly ochreInk: string;
  readonly ochreLight: string;
  readonly clay: string;
  readonly clayLight: string;
  /** Ground passed, on the map of facts. */
  readonly passed: string;
  /** The table's cloth and its weave; the wood of boards; the stock of cards, squares and dice, its edge and its inks. */
  readonly cloth: string;
  readonly weave: string;
  readonly wood: string;
  readonly woodEdge: string;
  readonly stock: string;
  readonly stockEdge: string;
}

export const themeNames = ['light', 'dark', 'contrast'] as const;
export type ThemeName = (typeof themeNames)[number];

export const tokens: Readonly<Record<ThemeName, Tokens>> = {
  light: {
    paper: '#F6F0E4',
    sheet: '#FBF8F1',
    ink: '#22303A',
    ink2: '#545E65',
    hairline: '#CDBFA4',
    edge: '#8A7B5C',
    river: '#155E69',
    onRiver: '#FFFFFF',
    riverLight: '#D3E4E1',
    ochre: '#B3741A',
    ochreInk: '#7A4B0B',
    ochreLight: '#F3E0B6',
    clay: '#94402A',
    clayLight: '#F1DDD2',
    passed: '#EAE2CF',
    cloth: '#DDE6DD',
    weave: '#D4DFD6',
    wood: '#E4D3AF',
    woodEdge: '#C4AE82',
    stock: '#FFFDF7',
    stockEdge: '#A3947A',
  },
  dark: {
    paper: '#161F25',
    sheet: '#1D2830',
    ink: '#EDE7DA',
    ink2: '#AEB8BA',
    hairline: '#3B4850',
    edge: '#7C8A8F',
    river: '#7FC7CE',
    onRiver: '#0E1A1F',
    riverLight: '#1E3E45',
    ochre: '#DDA546',
    ochreInk: '#E9BE72',
    ochreLight: '#43341A',
    clay: '#E99F86',
    clayLight: '#43271F',
    passed: '#222E35',
    cloth: '#1B2C2C',
    weave: '#20322F',
    wood: '#4B4029',
    woodEdge: '#2E2718',
    stock: '#2B3841',
    stockEdge: '#0F171C',
  },
  contrast: {
    paper: '#FFFFFF',
    sheet: '#FFFFFF',
    ink: '#000000',
    ink2: '#1F1F1F',
    hairline: '#000000',
    edge: '#000000',
    river: '#00363F',
    onRiver: '#FFFFFF',
    riverLight: '#D8F0F0',
    ochre: '#7A4600',
    ochreInk: '#5C3500',
    ochreLight: '#FFE8B3',
    clay: '#7A1600',
    clayLight: '#FFE4DA',
    passed: '#EFEFEF',
    cloth: '#FFFFFF',
    weave: '#FFFFFF',
    wood: '#FFFFFF',
    woodEdge: '#000000',
    stock: '#FFFFFF',
    stockEdge: '#000000',
  },
};
