// What an index or a key is known to hold: said by the code that knows it, and checked, so that a slip is an error and no wrong figure.
// Inner loops read numbers by the helpers at the end, one for each kind of list: they are not checked, since the engine makes a load of
// each of them only while it meets one kind of list there (one accessor for all of them made a fit six times slower).

/**
 * What stands at a place of a list.
 * @param i - 0 to the list's length - 1.
 * @throws RangeError where the list holds nothing there.
 * @example nth([3, 5], 1) // 5
 */
export function nth<T>(list: ArrayLike<T>, i: number): T {
  const x = list[i];
  if (x === undefined) throw new RangeError(`nothing at ${i} of ${list.length}`);
  return x;
}

/**
 * The last of a list.
 * @throws RangeError where the list is empty.
 * @example lastOf([3, 5]) // 5
 */
export function lastOf<T>(list: ArrayLike<T>): T {
  return nth(list, list.length - 1);
}

/**
 * What a map holds by a key.
 * @throws RangeError where it holds nothing by that key.
 * @example entryOf(new Map([['bass', 3]]), 'bass') // 3
 */
export function entryOf<K, V>(map: ReadonlyMap<K, V>, key: K): V {
  const x = map.get(key);
  if (x === undefined) throw new RangeError(`nothing by ${String(key)}`);
  return x;
}

/**
 * What a record holds by a key.
 * @throws RangeError where it holds nothing by that key.
 * @example fieldOf({ bass: 3 }, 'bass') // 3
 */
export function fieldOf<V>(record: Readonly<Record<string, V>>, key: string): V {
  const x = record[key];
  if (x === undefined) throw new RangeError(`nothing by ${key}`);
  return x;
}

/** A number of a list at an index that a loop's bounds prove. @example num([3, 5], 1) // 5 */
export function num(list: readonly number[], i: number): number {
  // biome-ignore lint/plugin: proved by whoever calls it, in loops that a check would slow.
  return list[i] as number;
}

/** As num, of doubles. @example f64(Float64Array.of(3, 5), 1) // 5 */
export function f64(list: Float64Array, i: number): number {
  // biome-ignore lint/plugin: proved by whoever calls it, in loops that a check would slow.
  return list[i] as number;
}

/** As num, of whole numbers. @example i32(Int32Array.of(3, 5), 1) // 5 */
export function i32(list: Int32Array, i: number): number {
  // biome-ignore lint/plugin: proved by whoever calls it, in loops that a check would slow.
  return list[i] as number;
}

/** As num, of short whole numbers. @example i16(Int16Array.of(3, 5), 1) // 5 */
export function i16(list: Int16Array, i: number): number {
  // biome-ignore lint/plugin: proved by whoever calls it, in loops that a check would slow.
  return list[i] as number;
}

/** As num, of bytes. @example bytes(Int8Array.of(3, 5), 1) // 5 */
export function bytes(list: Int8Array | Uint8Array, i: number): number {
  // biome-ignore lint/plugin: proved by whoever calls it, in loops that a check would slow.
  return list[i] as number;
}

/** As num, of rows of a table. @example row([[3], [5]], 1) // [5] */
export function row<T extends readonly unknown[]>(list: readonly T[], i: number): T {
  // biome-ignore lint/plugin: proved by whoever calls it, in loops that a check would slow.
  return list[i] as T;
}
