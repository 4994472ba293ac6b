import { VerdictStation } from '@/stations/verdict/VerdictStation';

export default function VerdictPage() {
  return <VerdictStation />;
}
