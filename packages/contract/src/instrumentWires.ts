/** In place of an address: the instrument is wired to a computer aboard. */
export const CABLE = 'cable';
