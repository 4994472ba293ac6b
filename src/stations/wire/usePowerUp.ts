import type { Build } from '@/core/document/production';
import { powerUpOf, type PowerUp } from '@/core/evaluate/signing';
import type { WorkedOut } from '@/core/evaluate/readouts';
import { useProduction } from '../store/context';
import { useWorkplace } from '../shell/useWorkplace';

/** The power-up gate of a build as it stands now. */
export function usePowerUp(build: Build, { findings }: WorkedOut): PowerUp {
  const document = useProduction((state) => state.document);
  const { derivations } = useWorkplace();
  return powerUpOf(document, build, findings, derivations);
}
