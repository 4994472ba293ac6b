import { LOOK_OVER } from '@/core/power/wire';
import { nightFerry } from '@/demo/nightFerry';
import { Derivations } from '@/core/evaluate/derive';
import { signedState } from '@/core/evaluate/signedState';
import { evaluateKnown as evaluate } from '@/core/evaluate/testing';
import { buildFile } from './buildFile';
import { plain } from './paper';
import { readPdf } from './testing/readPdf';

const document = nightFerry();

/** One light of every form: the pack is made of what a form gives, not of what it is called. */
const ofEveryForm = [...new Map(document.builds.map(({ form, id }) => [form, id])).values()];

/** Every pack is made and read back once. */
const packs = new Map<string, ReturnType<typeof readPdf>>();
function packOf(id: string): ReturnType<typeof readPdf> {
  const known = packs.get(id);
  if (known) return known;
  const made = buildFile(document, id, 'build-pack.pdf').then((pack) =>
    readPdf(pack!.body as Buffer, false),
  );
  packs.set(id, made);
  return made;
}

describe('the build pack', () => {
  test.each(ofEveryForm)('%s: drawing, lists, steps, safety page, in order', async (id) => {
    const pages = await packOf(id);
    const words = pages.map(({ text }) => text.join(' '));
    const at = (title: string) => words.findIndex((page) => page.includes(title));
    const order = [
      'What it gives',
      'Marks and lengths',
      'Shopping',
      'Steps, about',
      'Before it is powered up',
    ].map(at);
    expect(order).not.toContain(-1);
    expect(order).toEqual(order.toSorted((a, b) => a - b));
    expect(words.join(' ')).toContain('Mains can kill');
    expect(words.join(' ')).not.toMatch(/NaN|undefined|Infinity/);
  });
  test('every step, every finding, every line of the list is in it', async () => {
    const found = evaluate(document, 'cabin-box');
    if (!found.ok) throw new Error('a box');
    const pages = await packOf('cabin-box');
    const all = pages
      .flatMap(({ text }) => text)
      .join(' ')
      .replace(/\s+/g, ' ');
    for (const { title } of found.value.steps) expect(all).toContain(plain(title));
    for (const { title, severity } of found.value.findings)
      if (severity !== 'ok') expect(all).toContain(plain(title));
    for (const { name } of found.value.pieces) expect(all).toContain(plain(name));
  });
  /** The pack of a build that two people have signed, one of them for another design. */
  const signed = async (id: string): Promise<string> => {
    const copy = structuredClone(document);
    const build = copy.builds.find((each) => each.id === id)!;
    const look = { date: '2026-11-25', checked: [...LOOK_OVER], copy: 1, seen: {} };
    const state = signedState(copy, build, new Derivations());
    build.signOffs = [
      { ...look, id: 'look-1', name: 'M. Okonkwo', design: state },
      { ...look, id: 'look-2', name: 'A. Earlier', design: 'another' },
      { ...look, id: 'look-3', name: 'B. Hasty', design: state, checked: [LOOK_OVER[0]] },
    ];
    const made = await buildFile(copy, build.id, 'build-pack.pdf');
    return (await readPdf(made!.body as Buffer, false)).flatMap(({ text }) => text).join(' ');
  };
  test('the safety page: the wiring, the look-over, who signed and for which design', async () => {
    const words = await signed('clerk-ring');
    expect(words).toContain('No stop among the checks made');
    expect(words).toContain('Signed off by M. Okonkwo on 2026-11-25.');
    for (const name of ['A. Earlier', 'B. Hasty'])
      expect(words).toContain(`Looked at by ${name} on 2026-11-25, as it was then`);
    expect(words).toContain('L live, brown');
    expect(words).toContain('plug to lamp 1: live brown, neutral blue');
    expect(words).toContain('under 0.1 ohm');
    expect(words).toContain('Look over, unplugged');
  });
  test('beside “do not plug it in” nobody has signed', async () => {
    const words = await signed('warm-ring');
    expect(words).toContain('Do not plug it in: 1 stop');
    expect(words).not.toContain('Signed off by');
    expect(words).toContain('Not to be signed while the gate is shut');
  });
  test('the same design gives the same file', async () => {
    const again = await buildFile(document, 'lens-ring', 'build-pack.pdf');
    const text = (pages: Awaited<ReturnType<typeof readPdf>>) => pages.map((page) => page.text);
    expect(text(await readPdf(again!.body as Buffer, false))).toEqual(
      text(await packOf('lens-ring')),
    );
  });
  test('on Letter as well', async () => {
    const made = await buildFile(document, 'lens-ring', 'build-pack-letter.pdf');
    const pages = await readPdf(made!.body as Buffer, false);
    expect(pages[0]).toMatchObject({ width: 612, height: 792 });
  });
});
