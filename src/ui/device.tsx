'use client';
import { createContext, useCallback, useContext, useMemo, useState } from 'react';
import type { UnitSystem } from '@/core/quantity';

type Theme = 'bench' | 'set';

/** How this device shows things; kept in cookies so that the first paint is right already. */
export interface DeviceSettings {
  theme: Theme;
  units: UnitSystem;
}

interface Device extends DeviceSettings {
  change: (settings: Partial<DeviceSettings>) => void;
}

const DeviceContext = createContext<Device | null>(null);
const YEAR_S = 31_536_000;

const remember = (name: string, value: string) => {
  document.cookie = `lantern-${name}=${value}; path=/; max-age=${YEAR_S}; samesite=strict`;
};

export function DeviceProvider({
  initial,
  children,
}: {
  initial: DeviceSettings;
  children: React.ReactNode;
}) {
  const [settings, setSettings] = useState(initial);
  const change = useCallback((given: Partial<DeviceSettings>) => {
    for (const [name, value] of Object.entries(given)) remember(name, value);
    if (given.theme) document.documentElement.dataset.theme = given.theme;
    setSettings((before) => ({ ...before, ...given }));
  }, []);
  const device = useMemo(() => ({ ...settings, change }), [settings, change]);
  return <DeviceContext value={device}>{children}</DeviceContext>;
}

export function useDevice(): Device {
  const device = useContext(DeviceContext);
  if (!device) throw new Error('useDevice needs a DeviceProvider above it');
  return device;
}
