/** Keys of the seats, at the ends of a keyboard: Z and M for two, Q and L for the others. */
export const claimKeys: readonly string[] = ['z', 'm', 'q', 'l'];
