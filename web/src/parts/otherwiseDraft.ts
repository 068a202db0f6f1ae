/** The name under which a half-written decision is kept on this device. */
export const otherwiseDraft = (pupilId: string): string => `decide.${pupilId}`;
