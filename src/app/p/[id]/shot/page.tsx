import { ShotStation } from '@/stations/entry';

export default function ShotPage() {
  return <ShotStation />;
}
