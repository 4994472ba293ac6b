import type { Production } from './production';

/** "7 shots, 3 builds, 14 bulbs, 6 fixtures": what an import would bring. */
export function summarise(document: Production): string {
  const counted: [number, string][] = [
    [document.shots.length, 'shot'],
    [document.builds.length, 'build'],
    [document.shelf.units.length, 'light source'],
    [document.shelf.parts.length, 'part'],
    [document.fixtures.length, 'fixture'],
  ];
  return counted.map(([count, noun]) => `${count} ${noun}${count === 1 ? '' : 's'}`).join(', ');
}
