import { WireStation } from '@/stations/lazyStations';

export default function WirePage() {
  return <WireStation />;
}
