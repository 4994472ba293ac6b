import { headers } from 'next/headers';
import { currentProductions } from '@/server/productions/current';
import { currentDesk } from '@/server/share/current';
import { visitorOf } from '@/server/share/visitor';
import { ProductionsList } from '@/stations/home/ProductionsList';

export const dynamic = 'force-dynamic';

export default async function HomePage() {
  const service = await currentProductions();
  const device = visitorOf(await headers());
  const productions = await service.list();
  return (
    <ProductionsList
      device={device && { name: device.name, right: device.right }}
      shared={currentDesk() !== null}
      binned={device ? 0 : (await service.inBin()).length}
      productions={productions.map(({ updatedAt, ...rest }) => ({
        ...rest,
        updatedAt: updatedAt.toISOString(),
      }))}
    />
  );
}
