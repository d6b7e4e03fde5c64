/** Words by which books tell kinds apart and people on a boat do not. */
const LEFT_OUT = ['European', 'Atlantic', 'Northern', 'Common', 'Ballan', 'Black', 'Brown', 'Thornback'];

/** A fish as it is called aboard: "European sea bass" is "Sea bass". */
export function shortName(name: string): string {
  const words = name
    .split(' ')
    .filter((w) => !LEFT_OUT.includes(w))
    .join(' ');
  return words.charAt(0).toUpperCase() + words.slice(1);
}
