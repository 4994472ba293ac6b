import { useState } from 'react';
import type { Picture } from '@/core/document/picture';
import { mediaUrl, smallUrl } from '../store/media';

interface SmallPictureProps {
  picture: Picture;
  alt: string;
  /** of the picture, and of the words that stand there where it is not kept here */
  className: string;
}

/** A photograph, small; the whole of it is a press away. It comes when it is scrolled to. */
export function SmallPicture({ picture: { media, name }, alt, className }: SmallPictureProps) {
  const [gone, setGone] = useState(false);
  if (gone)
    return (
      <p
        className={`grid place-items-center bg-paper p-2 text-center text-sm text-ink-soft ${className}`}
      >
        This photograph is not kept here. Put “{name}” in again to see it.
      </p>
    );
  return (
    <a href={mediaUrl(media)} target="_blank" rel="noreferrer" title="See it whole">
      {/* Served by our own route, small already: the framework's own resizing has nothing to add. */}
      {/* eslint-disable-next-line @next/next/no-img-element */}
      <img
        src={smallUrl(media)}
        alt={alt}
        loading="lazy"
        decoding="async"
        className={`bg-paper ${className}`}
        onError={() => setGone(true)}
      />
    </a>
  );
}
