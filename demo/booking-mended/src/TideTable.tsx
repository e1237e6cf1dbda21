interface TideTableProps {
  caption: string;
  rows: readonly { place: string; high: string; low: string }[];
}

const titles = ['Place', 'High water', 'Low water'];

export function TideTable({ caption, rows }: TideTableProps) {
  return (
    <table>
      <caption>{caption}</caption>
      <thead>
        <tr>
          {titles.map((title) => <th key={title} scope="col">{title}</th>)}
        </tr>
      </thead>
      <tbody>
        {rows.map((row) => (
          <tr key={row.place}>
            <th scope="row">{row.place}</th>
            <td>{row.high}</td>
            <td>{row.low}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
