// How often somebody may try to sign in, counted in the database for all servers together.
import { createHash } from 'node:crypto';
import { RateLimiterPostgres, RateLimiterRes } from 'rate-limiter-flexible';
import type { DataSource } from 'typeorm';
import { Problem } from '../errors';

const MINUTE_S = 60;

export interface Try {
  readonly email: string;
  readonly address: string;
  /** The device has been signed in to this account before; null where it has not. */
  readonly device: string | null;
}

/**
 * Limits of wrong sign-ins. A stranger can use up his own address's tries and, with many addresses, those of an account for
 * strangers; a device that was signed in before counts for itself, so that he cannot keep its owner out.
 * @param what - What is tried: each thing has counts of its own, so that none uses up those of another.
 */
export function signInTries(source: DataSource, what: 'sign-in' | 'coming in' = 'sign-in') {
  const limiter = (keyPrefix: string, points: number, minutes: number) =>
    new RateLimiterPostgres({
      storeClient: (source.driver as unknown as { master: object }).master,
      tableName: 'tries',
      tableCreated: true,
      keyPrefix: what === 'sign-in' ? keyPrefix : `in-${keyPrefix}`,
      points,
      duration: minutes * MINUTE_S,
    });
  const byAddress = limiter('address', 60, 15);
  const byBoth = limiter('account-address', 10, 1);
  const byAccount = limiter('account', 60, 60);
  const byDevice = limiter('device', 10, 1);
  const counted = ({ email, address, device }: Try) =>
    device === null
      ? ([
          [byAddress, address],
          [byBoth, digest(`${email} ${address}`)],
          [byAccount, digest(email)],
        ] as const)
      : ([[byDevice, digest(`${email} ${device}`)]] as const);
  return {
    /** Counts a try before its password is looked at. Throws Problem `too_many_tries` with when to come again. */
    async count(one: Try): Promise<void> {
      for (const [limit, key] of counted(one)) {
        try {
          await limit.consume(key);
        } catch (error) {
          if (!(error instanceof RateLimiterRes)) throw error;
          throw new Problem('too_many_tries', '', [], Math.max(1, Math.ceil(error.msBeforeNext / 1000)));
        }
      }
    },
    /** Forgets the tries of one that came right; an address keeps its count, less this one. */
    async forget(one: Try): Promise<void> {
      for (const [limit, key] of counted(one)) {
        if (limit === byAddress) await limit.reward(key, 1);
        else await limit.delete(key);
      }
    },
  };
}

/** Keys in the database tell nobody's address of mail. */
const digest = (text: string) => createHash('sha256').update(text).digest('base64url');
