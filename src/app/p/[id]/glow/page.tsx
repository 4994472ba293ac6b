import { GlowStation } from '@/stations/entry';

export default function GlowPage() {
  return <GlowStation />;
}
