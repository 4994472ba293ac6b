import { and, desc, eq, isNull } from 'drizzle-orm';
import { nanoid } from 'nanoid';
import type { Right } from '@/core/document/rights';
import type { Database } from '../storage/database';
import { devices } from '../storage/schema';
import { hashOf, newToken } from './codes';

/** A device that was let in. */
export interface Device {
  id: string;
  name: string;
  right: Right;
}

export interface ListedDevice extends Device {
  createdAt: Date;
  seenAt: Date;
}

const columns = { id: devices.id, name: devices.name, right: devices.right };
const letIn = isNull(devices.revokedAt);

/** The only place that speaks to the table of devices. */
export const deviceRepository = (db: Database) => ({
  /** @returns the token it shows from now on, which is kept nowhere here */
  add: async (name: string, right: Right): Promise<{ device: Device; token: string }> => {
    const [id, token] = [nanoid(10), newToken()];
    await db.insert(devices).values({ id, name, right, tokenHash: hashOf(token) });
    return { device: { id, name, right }, token };
  },
  byToken: async (token: string): Promise<Device | null> => {
    const [found] = await db
      .select(columns)
      .from(devices)
      .where(and(eq(devices.tokenHash, hashOf(token)), letIn));
    return found ?? null;
  },
  list: (): Promise<ListedDevice[]> =>
    db
      .select({ ...columns, createdAt: devices.createdAt, seenAt: devices.seenAt })
      .from(devices)
      .where(letIn)
      .orderBy(desc(devices.createdAt)),
  seen: async (id: string): Promise<void> => {
    await db.update(devices).set({ seenAt: new Date() }).where(eq(devices.id, id));
  },
  allow: async (id: string, right: Right): Promise<boolean> =>
    (
      await db
        .update(devices)
        .set({ right })
        .where(and(eq(devices.id, id), letIn))
        .returning({ id: devices.id })
    ).length > 0,
  revoke: async (id: string): Promise<boolean> =>
    (
      await db
        .update(devices)
        .set({ revokedAt: new Date() })
        .where(and(eq(devices.id, id), letIn))
        .returning({ id: devices.id })
    ).length > 0,
});
export type DeviceRepository = ReturnType<typeof deviceRepository>;
