/** Parameters under new names; their place in the order and their values stay. */
export const renamed =
  (names: Readonly<Record<string, string>>) =>
  (parameters: Record<string, unknown>): Record<string, unknown> =>
    Object.fromEntries(
      Object.entries(parameters).map(([name, value]) => [names[name] ?? name, value]),
    );
