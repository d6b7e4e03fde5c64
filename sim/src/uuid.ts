import { seeded } from '@bluffwind/core/units/seeded';

/** Maker of version 4 UUIDs from a seed, so that the same world has the same ids. */
export function seededUuid(seed: number): () => string {
  const random = seeded(seed);
  return () => {
    const hex = Array.from({ length: 32 }, () => Math.floor(random() * 16).toString(16));
    hex[12] = '4';
    hex[16] = '89ab'[Math.floor(random() * 4)] as string;
    const s = hex.join('');
    return `${s.slice(0, 8)}-${s.slice(8, 12)}-${s.slice(12, 16)}-${s.slice(16, 20)}-${s.slice(20)}`;
  };
}
