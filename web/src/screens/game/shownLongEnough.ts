/**
 * Whether what has been seen for so long is to go with the frame that is made now: leaving it one frame more would be further from
 * its time than taking it away. All ms; `frameMs` the time from the last frame to this.
 */
export const shownLongEnough = (seenMs: number, frameMs: number, forMs: number): boolean =>
  forMs - seenMs < frameMs / 2;
