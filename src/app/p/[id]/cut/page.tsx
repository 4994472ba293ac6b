import { CutStation } from '@/stations/lazyStations';

export default function CutPage() {
  return <CutStation />;
}
