import { BuildStation } from '@/stations/entry';

export default function BuildPage() {
  return <BuildStation />;
}
