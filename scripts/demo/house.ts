/** The demo room's name, its tutors, and the word that both sign in with. */
export const demoRoom = 'The Lantern Room';
export const demoTutors = [
  { name: 'Maren', email: 'maren@lantern.example' },
  { name: 'Ansel', email: 'ansel@lantern.example' },
] as const;
export const demoPassword = 'lantern-room-demo';
