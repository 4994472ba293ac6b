import { ShotStation } from '@/stations/lazyStations';

export default function ShotPage() {
  return <ShotStation />;
}
