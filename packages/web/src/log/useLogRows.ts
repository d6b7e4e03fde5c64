import type { LogRow } from '@bluffwind/contract/log';
import { useQueries } from '@tanstack/react-query';
import { PART, rowsQuery } from './queries';

/**
 * The entries of a long list that are in sight, fetched in parts as they are scrolled to.
 * @param asked - Filter and order. @param first - The first part, which came with the sums. @param from - First entry in sight, @param to - last.
 */
export function useLogRows(asked: string, first: readonly LogRow[], from: number, to: number): (index: number) => LogRow | null {
  const parts: number[] = [];
  for (let n = Math.max(1, Math.floor(from / PART)); n <= Math.floor(to / PART); n++) parts.push(n);
  const answers = useQueries({ queries: parts.map((n) => rowsQuery(asked, n)) });
  const known = new Map(parts.map((n, i) => [n, answers[i]?.data?.rows]));
  return (index) => (index < PART ? first[index] : known.get(Math.floor(index / PART))?.[index % PART]) ?? null;
}
