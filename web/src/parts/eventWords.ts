import type { EventKind } from '@veldrift/wire';

/** What was to be put on record, as a tutor would call it, at the head of a line. */
export const eventWords: Readonly<Record<EventKind, string>> = {
  visitStarted: 'The beginning of a visit',
  playStarted: 'The beginning at the table',
  answerGiven: 'An answer',
  skillGiven: 'An answer',
  answerAmended: 'A mark on an answer',
  answerCorrected: 'A judgement put right',
  answerRetracted: 'An answer taken back',
  playEnded: 'The end at the table',
  keypadCalibrated: 'A measure of the keypad',
  namingMeasured: 'A measure of naming',
  instantCounted: 'An answer that was instant',
  moveMade: 'A move',
  voiceMeasured: 'A measure of the microphone',
  planChanged: 'A change of what is planned',
  judgingMeasured: 'A measure of the tutor\u2019s judging',
};
