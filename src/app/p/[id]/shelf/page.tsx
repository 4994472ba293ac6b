import { ShelfStation } from '@/stations/entry';

export default function ShelfPage() {
  return <ShelfStation />;
}
