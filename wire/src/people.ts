import { object, string, type InferType } from 'yup';
import { emailField, passwordField } from './account.ts';
import { nameField, textField } from './fields.ts';

/** How long an invitation may be used, days, and a link for a new password, hours. Each works once. */
export const inviteLastsDays = 7;
export const resetLastsHours = 24;

const tokenField = () =>
  string()
    .strict()
    .matches(/^[\w-]{20,80}$/, 'This link is not whole: copy all of it.')
    .required('This link is not whole: copy all of it.');

/** Looking at a link that lets someone in. */
export const passSchema = object({ token: tokenField() }).exact();

/** Taking an invitation up: an account in the room of the one who sent it. */
export const joinRoomSchema = object({
  token: tokenField(),
  name: nameField('Your name', 'Give your name.'),
  email: emailField().required('Give your e-mail address.'),
  password: passwordField(),
}).exact();
export type JoinRoom = InferType<typeof joinRoomSchema>;

/** A new password by a link. */
export const newPasswordSchema = object({ token: tokenField(), password: passwordField() }).exact();
export type NewPassword = InferType<typeof newPasswordSchema>;

/** A new password by the old one. */
export const changePasswordSchema = object({
  old: textField('The password', 200).required('Give the password you have now.'),
  password: passwordField(),
}).exact();
export type ChangePassword = InferType<typeof changePasswordSchema>;

/** What a link is for. */
export interface Pass {
  readonly kind: 'invite' | 'reset';
  readonly room: string;
  /** Who made it; null: made on the machine itself. */
  readonly by: string | null;
  /** Whose password it is about; null of an invitation. */
  readonly name: string | null;
  readonly email: string | null;
}

/** A link as it is given to the one who made it, once: only its hash is kept. */
export interface NewPass {
  readonly id: string;
  readonly token: string;
  readonly expiresAt: string;
}

export interface Member {
  readonly id: string;
  readonly name: string;
  readonly email: string;
  readonly since: string;
  readonly invitedBy: string | null;
  /** Whether the one who asks may take this member out. */
  readonly mayRemove: boolean;
}

export interface Invite {
  readonly id: string;
  readonly by: string;
  readonly madeAt: string;
  readonly expiresAt: string;
}

export const journalActs = [
  'signedIn',
  'invited',
  'inviteWithdrawn',
  'joined',
  'removed',
  'passwordChanged',
  'resetMade',
  'passwordReset',
  'sessionEnded',
  'pupilDeleted',
] as const;
export type JournalAct = (typeof journalActs)[number];

/** One act of the room's journal. No pupil is named in it. */
export interface JournalEntry {
  readonly id: string;
  readonly at: string;
  /** Null: done on the machine itself. */
  readonly by: string | null;
  readonly act: JournalAct;
  /** The person it was done to, where it was not oneself; else ''. */
  readonly whom: string;
}

/** The people of a room. */
export interface People {
  readonly members: readonly Member[];
  readonly invites: readonly Invite[];
  /** Newest first, at most 200. */
  readonly journal: readonly JournalEntry[];
}

/** A sign-in of one's own. */
export interface OwnSession {
  readonly id: string;
  /** As the browser named itself when it signed in, such as "Firefox on Linux". */
  readonly device: string;
  readonly since: string;
  readonly lastUsedAt: string;
  /** The one that asks. */
  readonly here: boolean;
}
