import { GlowStation } from '@/stations/lazyStations';

export default function GlowPage() {
  return <GlowStation />;
}
