interface HeadsProps {
  /** words stand to the left, `{ figures }` to the right above their figures; '' heads a column of buttons */
  of: readonly (string | { figures: string })[];
}

/** The heading row of a plain table. */
export function Heads({ of }: HeadsProps) {
  return (
    <thead>
      <tr>
        {of.map((head, k) =>
          typeof head === 'string' ? (
            <th key={k} scope="col">
              {head}
            </th>
          ) : (
            <th key={k} scope="col" className="num">
              {head.figures}
            </th>
          ),
        )}
      </tr>
    </thead>
  );
}
