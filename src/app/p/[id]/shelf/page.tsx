import { ShelfStation } from '@/stations/lazyStations';

export default function ShelfPage() {
  return <ShelfStation />;
}
