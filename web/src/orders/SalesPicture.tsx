interface Bar {
  name: string;
  value: number;
  /** The value as it is read. */
  said: string;
}

const HEIGHT = 140;
const MOST_NAMES = 14;

/** Totals side by side, for who would rather look; the table under it says the same in numbers. */
export function SalesPicture({ title, bars }: { title: string; bars: Bar[] }) {
  const most = Math.max(...bars.map((bar) => Math.abs(bar.value)), 1);
  const every = Math.ceil(bars.length / MOST_NAMES);
  return (
    <figure className="mb-2" aria-hidden="true">
      <figcaption className="mb-1 text-xs quiet">{title}</figcaption>
      <div className="flex items-end gap-px border-b border-base-content" style={{ height: HEIGHT }}>
        {bars.map((bar) => (
          <div
            key={bar.name}
            title={`${bar.name}: ${bar.said}`}
            className={`min-w-1 max-w-24 flex-1 ${bar.value < 0 ? "bg-error" : "bg-accent"}`}
            style={{ height: Math.max(1, Math.round((Math.abs(bar.value) / most) * (HEIGHT - 8))) }}
          />
        ))}
      </div>
      <div className="flex gap-px text-xs quiet">
        {bars.map((bar, index) => (
          <span key={bar.name} className="max-w-24 min-w-1 flex-1 overflow-visible whitespace-nowrap">
            {index % every === 0 ? bar.name : ""}
          </span>
        ))}
      </div>
    </figure>
  );
}
