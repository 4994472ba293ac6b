'use client';
import { createContext, useContext, useEffect, useState } from 'react';
import { useStore } from 'zustand';
import {
  createProductionStore,
  type Initial,
  type ProductionState,
  type ProductionStore,
} from './production';

/** Quick enough for two people who talk to each other; twenty phones ask a server seven times a second. */
const FOLLOW_EVERY_MS = 3000;

const StoreContext = createContext<ProductionStore | null>(null);

/** Holds one production for all stations below it; made once from what the server sent. */
export function ProductionProvider({
  initial,
  follows,
  children,
}: {
  initial: Initial;
  /** others may be at work on it: what they change is taken in as it comes */
  follows: boolean;
  children: React.ReactNode;
}) {
  const [store] = useState(() => createProductionStore(initial));
  useEffect(() => void store.getState().recall(), [store]);
  useEffect(() => {
    if (!follows) return;
    const look = () => {
      if (document.visibilityState === 'visible') void store.getState().follow();
    };
    const timer = setInterval(look, FOLLOW_EVERY_MS);
    document.addEventListener('visibilitychange', look);
    return () => {
      clearInterval(timer);
      document.removeEventListener('visibilitychange', look);
    };
  }, [store, follows]);
  return <StoreContext value={store}>{children}</StoreContext>;
}

export function useProductionStore(): ProductionStore {
  const store = useContext(StoreContext);
  if (!store) throw new Error('useProduction needs a ProductionProvider above it');
  return store;
}

export const useProduction = <T,>(select: (state: ProductionState) => T): T =>
  useStore(useProductionStore(), select);
