import { writeFileSync } from 'node:fs';
import * as z from 'zod';
import { ACCESSORIES } from '@/core/accessories';
import { DOCUMENT_VERSION, productionSchema } from '@/core/document/production';
import { FORMS } from '@/core/forms';

/** Writes the published JSON Schemas: the document, and each form's parameters. */
const write = (name: string, schema: z.core.$ZodType) =>
  writeFileSync(
    `docs/schema/${name}.schema.json`,
    `${JSON.stringify(z.toJSONSchema(schema), null, 2)}\n`,
  );

write(`production-v${DOCUMENT_VERSION}`, productionSchema);
for (const form of FORMS.values()) write(`form-${form.id}`, form.parameters);
for (const accessory of ACCESSORIES.values())
  write(`accessory-${accessory.id}`, accessory.parameters);
