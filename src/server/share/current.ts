import type { ShareDesk } from './desk';

/** The server's front and the pages are bundled apart; what they share is kept on the global. */
const holder = globalThis as { lanternJarDesk?: ShareDesk };

/** Null while this bench is not shared. */
export const currentDesk = (): ShareDesk | null => holder.lanternJarDesk ?? null;

export const setDesk = (desk: ShareDesk): void => {
  holder.lanternJarDesk = desk;
};
