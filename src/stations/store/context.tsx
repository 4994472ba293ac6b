'use client';
import { createContext, useContext, useEffect, useState } from 'react';
import { useStore } from 'zustand';
import {
  createProductionStore,
  type Initial,
  type ProductionState,
  type ProductionStore,
} from './production';

const StoreContext = createContext<ProductionStore | null>(null);

/** Holds one production for all stations below it; made once from what the server sent. */
export function ProductionProvider({
  initial,
  children,
}: {
  initial: Initial;
  children: React.ReactNode;
}) {
  const [store] = useState(() => createProductionStore(initial));
  useEffect(() => void store.getState().recall(), [store]);
  return <StoreContext value={store}>{children}</StoreContext>;
}

export function useProductionStore(): ProductionStore {
  const store = useContext(StoreContext);
  if (!store) throw new Error('useProduction needs a ProductionProvider above it');
  return store;
}

export const useProduction = <T,>(select: (state: ProductionState) => T): T =>
  useStore(useProductionStore(), select);
