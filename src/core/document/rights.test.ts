import type { Command } from './edit';
import { notAllowed } from './rights';

const set = (kind: Command['kind'], ...path: string[]): Command => ({
  do: 'set',
  kind,
  id: 'x',
  path,
  value: 1,
});
const add = (kind: Command['kind']): Command => ({
  do: 'add',
  kind,
  id: 'x',
  record: { id: 'x' },
  after: null,
});

test('at the bench: ticks, readings, clocks, photographs and lines of the log', () => {
  const bench = [
    set('making', 'ticks', 'cut'),
    set('making', 'readings', 'amperes'),
    set('making', 'timers', 'glue'),
    { do: 'unset', kind: 'making', id: 'x', path: ['ticks', 'cut'] } satisfies Command,
    add('entry'),
    add('picture'),
    add('making'),
  ];
  expect(notAllowed('tick', bench)).toBeNull();
  for (const command of bench) expect(notAllowed('read', [command])).toContain('read only');
});

test.each<[string, Command]>([
  ['a design', set('build', 'parameters', 'sizeM')],
  ['a name of a copy', set('making', 'name')],
  ['the production', set('production', 'name')],
  ['a sign-off', add('signOff')],
  ['a build more', add('build')],
  ['a photograph less', { do: 'remove', kind: 'picture', id: 'x' }],
  ['a copy less', { do: 'remove', kind: 'making', id: 'x' }],
  ['another order', { do: 'move', kind: 'shot', id: 'x', after: null }],
])('%s is not bench work, alone or among it', (_name, command) => {
  expect(notAllowed('tick', [command])).toContain('not change anything else');
  expect(notAllowed('tick', [set('making', 'ticks', 'cut'), command])).not.toBeNull();
  expect(notAllowed('edit', [command])).toBeNull();
});
