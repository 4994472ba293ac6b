'use client';
import { TextField } from '@/ui/fields/TextField';
import { useHand } from './useHand';

/** Whose hands are at this device. */
export function HandField() {
  const [name, setName] = useHand();
  return <TextField label="Whose hands" value={name} most={80} mayBeEmpty onCommit={setName} />;
}
