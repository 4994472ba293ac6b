import type { Build } from '../../document/production';
import { FORMS } from '../../forms';

/** Parameters that hold a build's layers, from the lamps outwards. */
export const layerParameters = (build: Build): string[] =>
  (FORMS.get(build.form)?.fields ?? []).flatMap((field) =>
    field.kind === 'part' && field.layer ? [field.parameter] : [],
  );
