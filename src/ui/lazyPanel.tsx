'use client';
import { lazy, Suspense, useEffect, useState, type ComponentType } from 'react';

/** One place in the page where a panel stands or will stand. */
type Place = Readonly<Record<string, never>>;

/** Where the server's HTML, or nothing, stands still, and takes no press. */
const awaited = new Set<Place>();
const arrived = new WeakSet<Place>();
const tell = () => void document.body.toggleAttribute('data-awaits', awaited.size > 0);

/** Tells from inside a panel's boundary that the panel listens. */
function Here({ place }: { place: Place }) {
  useEffect(() => {
    arrived.add(place);
    awaited.delete(place);
    tell();
  }, [place]);
  return null;
}

/**
 * A panel whose code comes after the page: the first load stays light, and `fetch` can bring it in
 * before it is wanted. While any is awaited, the body says so.
 */
export function lazyPanel<P extends object>(load: () => Promise<{ default: ComponentType<P> }>) {
  const Inner = lazy(load);
  function LazyPanel(props: P) {
    const [place] = useState<Place>(() => ({}));
    useEffect(() => {
      // Effects run from the inside out: what came with the same render is here already.
      if (!arrived.has(place)) awaited.add(place);
      tell();
      return () => {
        awaited.delete(place);
        tell();
      };
    }, [place]);
    return (
      <Suspense fallback={null}>
        <Inner {...props} />
        <Here place={place} />
      </Suspense>
    );
  }
  return Object.assign(LazyPanel, { fetch: () => void load() });
}
