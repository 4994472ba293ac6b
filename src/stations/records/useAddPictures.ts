import { nanoid } from 'nanoid';
import { useState } from 'react';
import { PICTURE_TYPES, type Picture } from '@/core/document/picture';
import { cutText } from '@/core/schema';
import { ask } from '@/workers/pool';
import { useSession } from '../shell/Workbench';
import { sendMedia, sendSmall } from '../store/media';
import { useEdits } from '../store/useEdits';

export const ACCEPTED_PICTURES = PICTURE_TYPES.join(',');

/** What the photographs that are added show. */
type Shows = Partial<Pick<Picture, 'buildId' | 'unitId' | 'copy' | 'stepId'>>;

/** What else is done with a photograph that was kept; answers with what is wrong, null when it is done. */
type OnKept = (picture: Picture, file: File) => Promise<string | null>;

/** Hashing, the small copy and sending happen off the page; the document gets a name and a caption. */
export function useAddPictures(shows: Shows, name: string, onKept?: OnKept) {
  const edits = useEdits();
  const { say } = useSession();
  const [busy, setBusy] = useState(0);
  const [problems, setProblems] = useState<readonly string[]>([]);
  const keep = async (file: File): Promise<string | null> => {
    const read = await ask(async (api) => api.picture(file), { priority: 'soon' });
    if (!read.ok) return read.problems[0]!.message;
    const { media, type, sizeBytes, small } = read.value;
    const sent = await sendMedia(media, file);
    if (sent) return `${file.name}: ${sent}`;
    // Without its small copy the picture itself is shown.
    if (small) await sendSmall(media, small);
    const picture: Picture = {
      id: nanoid(10),
      media,
      type,
      sizeBytes,
      name: cutText(file.name.trim(), 120) || 'photograph',
      caption: '',
      buildId: null,
      ...shows,
    };
    const refused = edits.add('picture', picture, `photograph of ${name}`);
    return refused ?? (onKept ? onKept(picture, file) : null);
  };
  const add = async (files: readonly File[]) => {
    if (files.length === 0) return;
    setProblems([]);
    setBusy((count) => count + files.length);
    const wrong: string[] = [];
    // One after the other: each is as large as everything else on the page.
    for (const file of files) {
      const problem = await keep(file).catch((error: Error) => `${file.name}: ${error.message}`);
      if (problem) wrong.push(problem);
      setBusy((count) => count - 1);
    }
    setProblems(wrong);
    const kept = files.length - wrong.length;
    if (kept) say(`${kept === 1 ? 'A photograph is' : `${kept} photographs are`} kept.`);
  };
  return { busy, problems, add };
}
