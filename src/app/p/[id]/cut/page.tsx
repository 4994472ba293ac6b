import { CutStation } from '@/stations/cut/CutStation';

export default function CutPage() {
  return <CutStation />;
}
