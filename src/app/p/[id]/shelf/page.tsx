import { ShelfStation } from '@/stations/shelf/ShelfStation';

export default function ShelfPage() {
  return <ShelfStation />;
}
