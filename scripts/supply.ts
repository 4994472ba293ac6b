import * as z from 'zod';

const packageSchema = z.object({
  version: z.string().optional(),
  license: z.string().optional(),
  integrity: z.string().optional(),
  dev: z.boolean().optional(),
  optional: z.boolean().optional(),
  hasInstallScript: z.boolean().optional(),
  inBundle: z.boolean().optional(),
});

export interface Package {
  name: string;
  version: string;
  licence: string;
  /** as the lock file holds it: sha512-… in base64; null for what comes inside of another package */
  integrity: string | null;
  dev: boolean;
  hasInstallScript: boolean;
  /** comes inside of another package, and under that one's checksum */
  bundled: boolean;
}

/** Packages whose own file states no licence in a form the lock file takes over; looked up in what they ship. */
const STATED: Record<string, string> = { 'png-js': 'MIT' };

/** Every package of a lock file, by name and version, once. */
export function readLock(text: string): Package[] {
  const { packages } = z
    .object({ packages: z.record(z.string(), packageSchema) })
    .parse(JSON.parse(text));
  const all = new Map<string, Package>();
  for (const [at, found] of Object.entries(packages)) {
    if (at === '' || !found.version) continue;
    const name = at.slice(at.lastIndexOf('node_modules/') + 'node_modules/'.length);
    const key = `${name}@${found.version}`;
    const before = all.get(key);
    all.set(key, {
      name,
      version: found.version,
      licence: found.license ?? STATED[name] ?? 'not stated',
      integrity: found.integrity ?? null,
      bundled: found.inBundle ?? false,
      // Needed by what ships if any of its places is.
      dev: (found.dev ?? false) && (before?.dev ?? true),
      hasInstallScript: (found.hasInstallScript ?? false) || (before?.hasInstallScript ?? false),
    });
  }
  return [...all.values()].sort((a, b) => (a.name + a.version < b.name + b.version ? -1 : 1));
}

const purl = ({ name, version }: Package) =>
  `pkg:npm/${name.replace('@', '%40')}@${encodeURIComponent(version)}`;

const hashOf = (integrity: string | null) => {
  const found = /^sha512-(.+)$/.exec(integrity ?? '');
  return found
    ? [{ alg: 'SHA-512', content: Buffer.from(found[1]!, 'base64').toString('hex') }]
    : [];
};

/** What ships, as CycloneDX 1.5 (ECMA-424's predecessor), without a date, so that it changes with the lock file alone. */
export const billOfMaterials = (packages: readonly Package[]): string =>
  `${JSON.stringify(
    {
      bomFormat: 'CycloneDX',
      specVersion: '1.5',
      version: 1,
      metadata: { component: { type: 'application', name: 'lantern-jar' } },
      components: packages
        .filter(({ dev }) => !dev)
        .map((each) => ({
          type: 'library',
          name: each.name,
          version: each.version,
          purl: purl(each),
          licenses: [{ expression: each.licence }],
          hashes: hashOf(each.integrity),
        })),
    },
    null,
    1,
  )}\n`;

/** Licences of what ships and of what only builds and tests, as a page. */
export function licenceList(packages: readonly Package[]): string {
  const rows = (dev: boolean) => {
    const byLicence = new Map<string, string[]>();
    for (const { name, version, licence } of packages.filter((each) => each.dev === dev))
      byLicence.set(licence, [...(byLicence.get(licence) ?? []), `${name} ${version}`]);
    return [...byLicence]
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([licence, names]) => `- **${licence}** (${names.length}): ${names.join(', ')}`);
  };
  return [
    '# Licences of packages',
    '',
    'Made from `package-lock.json` by `npm run bill`; a test holds it to the lock file.',
    '',
    '## What ships with the application',
    '',
    ...rows(false),
    '',
    '## What builds and tests it',
    '',
    ...rows(true),
    '',
  ].join('\n');
}
