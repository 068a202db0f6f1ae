import { shortestPassword } from '@veldrift/wire';

export const passwordHint = `At least ${shortestPassword} characters. Length is what counts.`;

/** What an account is made of, in the order it is asked. */
export const accountFields = [
  { name: 'name', label: 'Your name', hint: 'As your pupils know you.', type: 'text', complete: 'name' },
  {
    name: 'email',
    label: 'E-mail address',
    hint: 'You sign in with it. Nothing is sent to it.',
    type: 'email',
    complete: 'username',
  },
  {
    name: 'password',
    label: 'Password',
    hint: passwordHint,
    type: 'password',
    complete: 'new-password',
  },
] as const;
