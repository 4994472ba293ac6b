import { SetStation } from '@/stations/lazyStations';

export default function SetPage() {
  return <SetStation />;
}
