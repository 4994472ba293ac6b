import { rateLimit } from '../http/rate';
import { currentStore } from '../storage/current';
import { setDesk } from './current';
import { codesOf } from './codes';
import { deviceRepository, type Device, type DeviceRepository } from './devices';
import type { ShareDesk } from './shareDesk';

/** How long a device is known without asking the store: one revoked elsewhere is out after this. */
const KNOWN_MS = 3000;
/** A device is noted as seen no more often than this. */
const SEEN_EVERY_MS = 60_000;
const MOST_KNOWN = 500;
/** Pictures of one device: more than any crew takes, too few to fill a disk unseen. */
const [MOST_PICTURES, WITHIN_MS] = [300, 3_600_000];

interface Known {
  device: Device | null;
  at: number;
}

/** Devices as they were a moment ago, so that a page of many parts asks the store once. */
function knownDevices(repository: () => Promise<DeviceRepository>) {
  const known = new Map<string, Known>();
  const seen = new Map<string, number>();
  const noteSeen = async (id: string) => {
    const at = Date.now();
    if (at - (seen.get(id) ?? 0) < SEEN_EVERY_MS) return;
    seen.set(id, at);
    await (await repository()).seen(id);
  };
  return {
    forget: () => known.clear(),
    of: async (token: string): Promise<Device | null> => {
      const held = known.get(token);
      if (held && Date.now() - held.at < KNOWN_MS) return held.device;
      const device = await (await repository()).byToken(token);
      if (known.size >= MOST_KNOWN) known.clear();
      known.set(token, { device, at: Date.now() });
      if (device) await noteSeen(device.id);
      return device;
    },
  };
}

/** Where devices are let in and shown out; one for the process, made when it shares its bench. */
export function openDesk(address: string, encrypted: boolean): ShareDesk {
  const repository = async () => deviceRepository((await currentStore()).db);
  const codes = codesOf();
  const known = knownDevices(repository);
  const changed = async (change: (devices: DeviceRepository) => Promise<boolean>) => {
    const done = await change(await repository());
    known.forget();
    return done;
  };
  const pictures = new Map<string, ReturnType<typeof rateLimit>>();
  const desk: ShareDesk = {
    address,
    encrypted,
    makeCode: codes.make,
    enter: async (code, name, from) => {
      const taken = codes.take(code, from);
      if (taken.kind !== 'let in') return taken;
      const { token } = await (await repository()).add(name, taken.right);
      return { token };
    },
    deviceOf: known.of,
    pictureWaitS: (id) => {
      let limit = pictures.get(id);
      if (!limit) pictures.set(id, (limit = rateLimit(MOST_PICTURES, WITHIN_MS)));
      return limit.waitS();
    },
    list: async () => (await repository()).list(),
    allow: (id, right) => changed((devices) => devices.allow(id, right)),
    revoke: (id) => changed((devices) => devices.revoke(id)),
    close: async () => {
      codes.drop();
      for (const { id } of await desk.list()) await desk.revoke(id);
    },
  };
  setDesk(desk);
  return desk;
}
