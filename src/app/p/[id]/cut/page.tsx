import { CutStation } from '@/stations/entry';

export default function CutPage() {
  return <CutStation />;
}
