import type { Right } from '@/core/document/rights';
import type { Codes, Taken } from './codes';
import type { Device, DeviceRepository } from './devices';

/** Where devices are let in and shown out. */
export interface ShareDesk {
  /** where others reach this bench */
  address: string;
  encrypted: boolean;
  makeCode: Codes['make'];
  /** @returns the token of a device that is let in, or why it is not */
  enter: (
    code: string,
    name: string,
    address: string,
  ) => Promise<{ token: string } | Exclude<Taken, { kind: 'let in' }>>;
  deviceOf: (token: string) => Promise<Device | null>;
  /** seconds a device waits before it sends another picture; 0 when it may */
  pictureWaitS: (id: string) => number;
  list: DeviceRepository['list'];
  allow: (id: string, right: Right) => Promise<boolean>;
  revoke: (id: string) => Promise<boolean>;
  /** every code and every device */
  close: () => Promise<void>;
}
