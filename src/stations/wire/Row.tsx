/** One figure of a two-column table. */
export const Row = ({ label, children }: { label: string; children: React.ReactNode }) => (
  <tr>
    <th scope="row">{label}</th>
    <td className="figure">{children}</td>
  </tr>
);
