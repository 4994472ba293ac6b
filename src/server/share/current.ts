import type { ShareDesk } from './shareDesk';

/** The server's front and the pages are bundled apart; what they share is kept on the global. */
const holder = globalThis as { lanternJarDesk?: ShareDesk };

/** Null while this bench is not shared. */
export const currentDesk = (): ShareDesk | null => holder.lanternJarDesk ?? null;

export const setDesk = (desk: ShareDesk): void => {
  holder.lanternJarDesk = desk;
};

/** Whether others may be at work here: devices of the network, or other servers on one database. */
export const isShared = (): boolean => currentDesk() !== null || Boolean(process.env.DATABASE_URL);
