// What is written to people, in plain text.
import { dateWords, type Units } from '@bluffwind/core/units/measure';

export interface Letter {
  readonly subject: string;
  readonly text: string;
}

const letter = (subject: string, ...lines: readonly string[]): Letter => ({ subject, text: `${lines.join('\n\n')}\n` });

/** Asks somebody into an outfit. @param link - Lets in whoever opens it first. */
export const invitationLetter = (w: { outfit: string; name: string; by: string; link: string; days: number }): Letter =>
  letter(
    `Come in to ${w.outfit}`,
    `${w.name},`,
    `${w.by} asks you into ${w.outfit}. Open this and choose a password:`,
    w.link,
    `It holds for ${w.days} days and works once. Give it to nobody else.`,
  );

export const newPasswordLetter = (w: { outfit: string; name: string; link: string; minutes: number }): Letter =>
  letter(
    'A new password',
    `${w.name},`,
    `somebody, most likely you, asked for a new password at ${w.outfit}. Open this and choose one:`,
    w.link,
    `It holds for ${w.minutes} minutes and works once. If it was not you, do nothing: the old password stays.`,
  );

/** The alarm; nothing in it is a position. */
export const overdueLetter = (w: { outfit: string; boat: string; captain: string; due: string; ashore: string; link: string }): Letter =>
  letter(
    `OVERDUE: ${w.boat}, was to be back at ${w.due}`,
    `${w.boat} with ${w.captain} was to be back at ${w.due} and has not ended its trip.`,
    w.ashore === '' ? 'Nobody ashore was named before it left.' : `Who ashore knows: ${w.ashore}.`,
    'Call the boat. If it does not answer, do as your float plan says and call the rescue service; do not wait for this page.',
    w.link,
    w.outfit,
  );

export const backLetter = (w: { outfit: string; boat: string; at: string }): Letter =>
  letter(`${w.boat} is back`, `${w.boat} has ended its trip at ${w.at}. The alarm is over.`, w.outfit);

export const briefTitle = (date: string, units: Units): string => `Brief for ${dateWords(date, units)}`;

export const briefLetter = (w: { outfit: string; date: string; by: string; units: Units; link: string }): Letter =>
  letter(
    briefTitle(w.date, w.units),
    `${w.by} has sent the brief for ${dateWords(w.date, w.units)}; it is attached.`,
    'Open it here and say that you have read it:',
    w.link,
    w.outfit,
  );
