import { BuildStation } from '@/stations/lazyStations';

export default function BuildPage() {
  return <BuildStation />;
}
