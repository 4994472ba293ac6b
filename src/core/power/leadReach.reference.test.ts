import type { TapeRun } from '../build/wiring';
import { demoBuild } from '../forms/testing';
import { planTape } from './tapePlan';
import { tapePowerFindings } from './tapePowerFindings';

/** What is said of the leads of a build of the demo with some parameters changed. */
function shortLeads(buildId: string, over: Record<string, unknown>) {
  const { resolved, document } = demoBuild(buildId, over);
  const run: TapeRun = resolved.tape!;
  return tapePowerFindings(planTape(run)!, run, document.shelf.parts).find(
    ({ id }) => id === 'tape.lead-short',
  );
}

describe('a lead reaches half-way between the feeds farthest apart', () => {
  test('a panel of rows: from corner to corner of what is laid, halved, and the joints', () => {
    const panel = demoBuild('stamp-panel', { feed: 'both' });
    const { rowPitchM } = panel.parameters as Record<string, number>;
    const { rowsM } = panel.resolved.tape!;
    const needM = Math.hypot(rowsM[0]!, (rowsM.length - 1) * rowPitchM!) / 2 + 0.1;
    expect(shortLeads('stamp-panel', { feed: 'both', leadLengthM: needM + 0.001 })).toBeUndefined();
    const short = shortLeads('stamp-panel', { feed: 'both', leadLengthM: needM - 0.001 });
    expect(short).toMatchObject({ severity: 'look', where: { field: 'leadLengthM' } });
    const [remedy] = short!.remedies!;
    expect(shortLeads('stamp-panel', { feed: 'both', ...remedy!.parameters })).toBeUndefined();
  });
  test('fed at one place they lie where the supply does', () =>
    expect(shortLeads('stamp-panel', { feed: 'one', leadLengthM: 0.1 })).toBeUndefined());
});
