import { BuildStation } from '@/stations/build/BuildStation';

export default function BuildPage() {
  return <BuildStation />;
}
