import { readFileSync, writeFileSync } from 'node:fs';
import { billOfMaterials, licenceList, readLock } from './supply';

/** Writes docs/supply: what ships with the application, in a form tools read and one people do. */
const lock = readLock(readFileSync('package-lock.json', 'utf8'));
writeFileSync('docs/supply/bom.cdx.json', billOfMaterials(lock));
writeFileSync('docs/supply/licences.md', licenceList(lock));
