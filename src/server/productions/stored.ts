import type { Production } from '@/core/document/production';

/** A production as it is handed out: of the newest version, whatever lies in the table. */
export interface Stored {
  revision: number;
  document: Production;
}
