'use client';
import { lazy, Suspense, type ComponentType } from 'react';

/**
 * A panel whose code comes after the page: the first load stays light, and `fetch` can bring it in
 * before it is wanted.
 */
export function lazyPanel<P extends object>(load: () => Promise<{ default: ComponentType<P> }>) {
  const Inner = lazy(load);
  function LazyPanel(props: P) {
    return (
      <Suspense fallback={null}>
        <Inner {...props} />
      </Suspense>
    );
  }
  return Object.assign(LazyPanel, { fetch: () => void load() });
}
