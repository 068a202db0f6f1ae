/** Under which this window keeps a class that finds its partners. */
export const partnersKey = 'veldrift.partners';
