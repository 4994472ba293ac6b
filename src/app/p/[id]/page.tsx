import { redirect } from 'next/navigation';

export default async function ProductionPage({ params }: { params: Promise<{ id: string }> }) {
  redirect(`/p/${(await params).id}/shot`);
}
