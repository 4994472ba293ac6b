import { MakeStation } from '@/stations/lazyStations';

export default function MakePage() {
  return <MakeStation />;
}
