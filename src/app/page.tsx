import { currentProductions } from '@/server/productions/current';
import { ProductionsList } from '@/stations/home/ProductionsList';

export const dynamic = 'force-dynamic';

export default async function HomePage() {
  const productions = await (await currentProductions()).list();
  return (
    <ProductionsList
      productions={productions.map(({ updatedAt, ...rest }) => ({
        ...rest,
        updatedAt: updatedAt.toISOString(),
      }))}
    />
  );
}
