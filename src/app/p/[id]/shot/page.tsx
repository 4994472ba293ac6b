import { ShotStation } from '@/stations/shot/ShotStation';

export default function ShotPage() {
  return <ShotStation />;
}
