import { MeterStation } from '@/stations/lazyStations';

export default function MeterPage() {
  return <MeterStation />;
}
