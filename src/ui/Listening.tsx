'use client';
import { useEffect } from 'react';

/**
 * Tells from outside that a station, or the list of productions, takes presses. The frame round it may
 * be heard before: the page between them is a part of its own that comes to life when it likes.
 */
export function Listening() {
  useEffect(() => {
    document.body.dataset.station = 'listening';
    return () => void delete document.body.dataset.station;
  }, []);
  return null;
}
