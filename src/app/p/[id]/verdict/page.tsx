import { VerdictStation } from '@/stations/entry';

export default function VerdictPage() {
  return <VerdictStation />;
}
