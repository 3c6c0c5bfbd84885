/** Drivers and entries that follow them, for tests. */
import type { Driver } from '@/engine/drivers';
import type { Cased } from '@/engine/usage';

export const USERS: Driver = {
  name: 'users',
  title: 'Users',
  unit: 'user',
  value: { likely: '200', lean: '100', heavy: '900' },
  from: '10',
  to: '10000',
  scale: 'log',
};

/** What it comes to is worked out where the design is edited, read or priced. */
export const following = (formula: string): Cased => ({ likely: '0', formula });
