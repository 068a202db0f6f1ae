import { isTimeZone } from '@veldrift/core';
import { object, string, type InferType } from 'yup';
import { nameField, textField } from './fields.ts';

export const emailField = () =>
  string()
    .strict()
    .max(200, 'The e-mail address should have at most 200 characters.')
    .matches(
      /^[^\s@\u0000-\u001f]+@[^\s@\u0000-\u001f]+$/,
      'The e-mail address should look like name@place.',
    );

export const shortestPassword = 10;

/** A password that is chosen. Whether many others have it only the server can say: it has the list. */
export const passwordField = () =>
  textField('The password', 200)
    .required('Choose a password.')
    .min(shortestPassword, `The password should have at least ${shortestPassword} characters.`);

export const signInSchema = object({
  email: emailField().required('Give your e-mail address.'),
  password: textField('The password', 200).required('Give your password.'),
}).exact();
export type SignIn = InferType<typeof signInSchema>;

export const firstRoomSchema = object({
  room: nameField('The room\u2019s name', 'Give the room a name.'),
  name: nameField('Your name', 'Give your name.'),
  email: emailField().required('Give your e-mail address.'),
  password: passwordField(),
  timeZone: string()
    .strict()
    .required()
    .test('zone', 'The time zone should be one such as Europe/Oslo.', (value) => isTimeZone(value)),
}).exact();
export type FirstRoom = InferType<typeof firstRoomSchema>;

/** Who is signed in, and where. */
export interface Me {
  readonly userId: string;
  readonly name: string;
  readonly roomId: string;
  readonly room: string;
  readonly timeZone: string;
  /** What this user's devices lock up unsent answers with on signing out, base64; forgotten with the sign-in. */
  readonly sealKey: string;
  /** The tutor's own judging times, if measured. */
  readonly judging: { readonly at: string; readonly timesMs: readonly number[] } | null;
  /** Delays of the audio path of this tutor's device, if measured. */
  readonly voice: { readonly at: string; readonly timesMs: readonly number[] } | null;
}
