import { api, ApiError } from './api.ts';

/** Noted on the device while a sign-out has not reached the server. */
export const signingOutKey = 'veldrift.signingOut';

/** Notes that this device signs out: from now on nobody is in here, whatever the server says. */
export function beginSigningOut(): void {
  localStorage.setItem(signingOutKey, 'yes');
}

/** Ends on the server what was ended here. Gives whether that is still to be done, since the server cannot be reached. */
export async function finishSigningOut(): Promise<boolean> {
  if (localStorage.getItem(signingOutKey) === null) return false;
  try {
    await api.signOut();
  } catch (error) {
    if (!(error instanceof ApiError) || error.away) return true;
    // Not signed in any more: that is what was wanted.
  }
  localStorage.removeItem(signingOutKey);
  return false;
}

/** Somebody signs in: the session that was to end has ended with that. */
export function signedInAgain(): void {
  localStorage.removeItem(signingOutKey);
}
