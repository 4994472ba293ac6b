import { useLayoutEffect, useState, type RefObject } from 'react';

/** Edge of a drawing's place before it is measured: about what a large view has at 1280 × 800. */
const GUESS_PX = 420;

/** Pixels a drawing has on the screen, as its place grows and shrinks. */
export function usePlace(svg: RefObject<SVGSVGElement | null>) {
  const [place, setPlace] = useState({ width: GUESS_PX, height: GUESS_PX });
  useLayoutEffect(() => {
    const drawn = svg.current!;
    const measure = () => {
      const { width, height } = drawn.getBoundingClientRect();
      if (width > 0 && height > 0) setPlace({ width, height });
    };
    measure();
    const watch = new ResizeObserver(measure);
    watch.observe(drawn);
    return () => watch.disconnect();
  }, [svg]);
  return place;
}

/**
 * How many drawing units lie in one pixel of the screen, as a drawing is fitted into its place: letters
 * and knobs keep their size however large the place is.
 * @param wide, high of the drawing, in its own units
 */
export function usePixel(svg: RefObject<SVGSVGElement | null>, wide: number, high: number): number {
  const { width, height } = usePlace(svg);
  return Math.max(wide / width, high / height);
}
