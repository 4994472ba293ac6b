import { part, unit } from '../testing/makers';
import { choosing } from './brings';
import { FORMS } from './index';

const tin = part('hardware', {
  id: 'tin',
  kind: 'other',
  diameterM: 0.26,
  depthM: 0.07,
  inside: 'foil',
});
const bare = part('hardware', { id: 'bare', kind: 'other' });
const light = unit('work-light', { id: 'site', faceWidthM: 0.3, faceHeightM: 0.22 });
const shelf = { units: [light], parts: [tin, bare] };
const field = (form: string, parameter: string) =>
  FORMS.get(form)!.fields.find((each) => each.parameter === parameter)!;

describe('a chosen thing brings its sizes along', () => {
  test('a tin its Ø, depth and inside', () => {
    expect(choosing(field('strip-pan', 'panPartId'), 'tin', shelf)).toEqual({
      panPartId: 'tin',
      diameterM: 0.26,
      depthM: 0.07,
      finish: 'foil',
    });
  });
  test('what its record does not say stays as it was', () => {
    expect(choosing(field('strip-pan', 'panPartId'), 'bare', shelf)).toEqual({ panPartId: 'bare' });
    expect(choosing(field('strip-pan', 'panPartId'), null, shelf)).toEqual({ panPartId: null });
  });
  test('a work light its face', () => {
    expect(choosing(field('work-light', 'unitId'), 'site', shelf)).toMatchObject({
      faceWidthM: 0.3,
      faceHeightM: 0.22,
    });
  });
  test('every field and parameter that is named is there', () => {
    for (const form of FORMS.values())
      for (const each of form.fields) {
        if ((each.kind !== 'part' && each.kind !== 'unit') || !each.brings) continue;
        const known = form.fields.map(({ parameter }) => parameter);
        for (const parameter of Object.keys(each.brings)) expect(known).toContain(parameter);
      }
  });
});
