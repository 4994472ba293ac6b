import type { Metadata } from 'next';
import { headers } from 'next/headers';
import { notFound } from 'next/navigation';
import { cache } from 'react';
import { currentProductions } from '@/server/productions/current';
import { isShared } from '@/server/share/current';
import { visitorOf } from '@/server/share/visitor';
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
  const device = visitorOf(await headers());
  return (
    <Workbench initial={{ ...stored, device }} follows={isShared()}>
      {children}
    </Workbench>
  );
}
