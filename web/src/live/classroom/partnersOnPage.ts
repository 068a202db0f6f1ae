import { api } from '../../app/api.ts';
import { classTableLine } from './classLine.ts';
import { partnersKey } from './partnersKey.ts';
import { openPartnersTable, type PartnersKept, type PartnersTable } from './partnersTable.ts';

function kept(): PartnersKept | null {
  try {
    const found = JSON.parse(sessionStorage.getItem(partnersKey) ?? 'null') as PartnersKept | null;
    return found && typeof found.rules === 'object' && Array.isArray(found.past) ? found : null;
  } catch {
    return null;
  }
}

let table: PartnersTable | undefined;

/** The one table of this page: it outlives the screen that shows it, and a reload. */
export function partnersTable(): PartnersTable {
  table ??= openPartnersTable({
    now: () => performance.timeOrigin + performance.now(),
    newSeed: () => Math.floor(Math.random() * 10_000),
    makeClass: api.newClass,
    dropLink: api.dropLink,
    line: classTableLine,
    kept: kept(),
    keep: (now) => sessionStorage.setItem(partnersKey, JSON.stringify(now)),
  });
  return table;
}

/** Lets the devices go: somebody signs out. */
export async function closePartners(): Promise<void> {
  await table?.closeDoor();
  table = undefined;
  sessionStorage.removeItem(partnersKey);
}
