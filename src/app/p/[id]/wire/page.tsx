import { WireStation } from '@/stations/entry';

export default function WirePage() {
  return <WireStation />;
}
