import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { cache } from 'react';
import { currentProductions } from '@/server/productions/current';
import { Workbench } from '@/stations/lazyStations';

const load = cache(async (id: string) => (await currentProductions()).find(id));

type Props = { params: Promise<{ id: string }>; children: React.ReactNode };

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  const stored = await load((await params).id);
  return { title: stored?.document.name ?? 'Not found' };
}

export default async function ProductionLayout({ params, children }: Props) {
  const stored = await load((await params).id);
  if (!stored) notFound();
  return <Workbench initial={stored}>{children}</Workbench>;
}
