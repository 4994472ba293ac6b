'use client';
import { useDevice } from '@/ui/device';
import { QuantityField } from './QuantityField';

interface CountFieldProps {
  label: string;
  value: number;
  min: number;
  max: number;
  whole?: boolean;
  onCommit: (value: number) => void;
}

/** A bare number: pieces, degrees. */
export function CountField({ onCommit, value, ...rest }: CountFieldProps) {
  const { units } = useDevice();
  return (
    <QuantityField
      {...rest}
      value={value}
      dimension="count"
      assumedUnit=""
      step={1}
      system={units}
      onCommit={(next) => onCommit(next ?? value)}
    />
  );
}
