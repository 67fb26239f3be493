/** Stands for rows that are not drawn. */
export function Gap({ height, span }: { height: number; span: number }) {
  return (
    <tr>
      <td colSpan={span} style={{ height }} />
    </tr>
  );
}
