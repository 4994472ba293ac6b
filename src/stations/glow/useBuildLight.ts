import { useMemo } from 'react';
import type { Build, Production } from '@/core/document/production';
import { buildPicture } from '@/core/evaluate/glow/scene';
import type { WorkedOut } from '@/core/evaluate/readouts';
import { useWorkplace } from '../shell/useWorkplace';

/** The build as a source of light, once more when its room has been simulated well enough. */
export function useBuildLight(document: Production, build: Build, { room }: WorkedOut) {
  const { transport } = useWorkplace();
  const known = (room && transport.known.get(room.key)) ?? null;
  const settled = !room || transport.done >= 1;
  const roomKey = room?.key;
  const stage = known === null ? 'none' : settled ? 'settled' : 'first';
  const light = useMemo(
    () => buildPicture(document, build.id, known),
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [document, build.id, roomKey, stage],
  );
  return { light, settled };
}
