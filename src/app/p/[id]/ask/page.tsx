import { AskStation } from '@/stations/lazyStations';

export default function AskPage() {
  return <AskStation />;
}
