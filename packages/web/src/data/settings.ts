// What this person has set for himself. It is known before a screen is drawn, and a change loads the page anew, so that nothing is ever
// shown half in one unit and half in another.
import type { OwnSettings } from '@bluffwind/contract/auth';
import { USUAL_SETTINGS } from '@bluffwind/contract/usualSettings';
import { METRIC, UNIT_CHOICES, type Units } from '@bluffwind/core/units/measure';

const KEY = 'settings';
let mine: OwnSettings = read();

/** What this device knows. */
function read(): OwnSettings {
  const usual = USUAL_SETTINGS;
  try {
    const kept = JSON.parse(globalThis.localStorage?.getItem(KEY) ?? 'null') as {
      units?: Partial<Units>;
      keys?: boolean;
      mail?: OwnSettings['mail'];
      push?: OwnSettings['push'];
    } | null;
    if (kept === null) return usual;
    const known = Object.entries(UNIT_CHOICES).filter(([name, choices]) =>
      (choices as readonly string[]).includes(kept.units?.[name as keyof Units] ?? ''),
    );
    const units = Object.fromEntries(known.map(([name]) => [name, kept.units?.[name as keyof Units]]));
    return {
      units: { ...METRIC, ...units },
      keys: kept.keys !== false,
      mail: notices(kept.mail, usual.mail),
      push: notices(kept.push, usual.push),
    };
  } catch {
    return usual;
  }
}

/** What is kept of a channel's notices, each as usual where it is none. */
function notices(kept: Partial<OwnSettings['mail']> | undefined, usual: OwnSettings['mail']): OwnSettings['mail'] {
  const { overdue, brief } = kept ?? {};
  return { overdue: typeof overdue === 'boolean' ? overdue : usual.overdue, brief: typeof brief === 'boolean' ? brief : usual.brief };
}

export const mySettings = (): OwnSettings => mine;

/** Takes over what the server knows. @returns Whether figures are shown otherwise than they should be now. */
export function learnSettings(settings: OwnSettings): boolean {
  const otherUnits = (Object.keys(UNIT_CHOICES) as (keyof Units)[]).some((unit) => settings.units[unit] !== mine.units[unit]);
  const changed = otherUnits || settings.keys !== mine.keys;
  mine = settings;
  try {
    if (changed) localStorage.setItem(KEY, JSON.stringify(settings));
  } catch {
    // A browser that keeps nothing would load for ever: it shows what it has just learnt from now on.
    return false;
  }
  return otherUnits;
}
