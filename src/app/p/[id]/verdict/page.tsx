import { VerdictStation } from '@/stations/lazyStations';

export default function VerdictPage() {
  return <VerdictStation />;
}
