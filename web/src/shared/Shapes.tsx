import { useId, useState } from "react";

export interface Shade {
  fill: string;
  stroke?: string;
  dashed?: boolean;
  /** Lines over the fill. */
  hatched?: boolean;
  /** Said under the map while the place is pointed at. */
  says: string;
}

interface Props {
  label: string;
  width: number;
  height: number;
  shapes: { code: string; d: string }[];
  nameOf: (code: string) => string;
  shadeOf: (code: string) => Shade;
  pick?: (code: string) => void;
}

/** Places drawn, shaded, each by its code; what is pointed at is said under them. */
export function Shapes({ label, width, height, shapes, nameOf, shadeOf, pick }: Props) {
  const [at, setAt] = useState<string>();
  const hatch = useId();
  return (
    <figure>
      <svg viewBox={`0 0 ${width} ${height}`} className="w-full" role="img" aria-label={label}>
        <defs>
          <pattern id={hatch} width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
            <line x1="0" y1="0" x2="0" y2="5" stroke="var(--color-base-content)" strokeWidth="1.2" />
          </pattern>
        </defs>
        {shapes.map(({ code, d }) => {
          const shade = shadeOf(code);
          return (
            <g key={code}>
              {/* biome-ignore lint/a11y/noStaticElementInteractions: the same is typed in the field beside the map */}
              <path
                d={d}
                data-country={code}
                fill={shade.fill}
                stroke={shade.stroke ?? "var(--color-base-100)"}
                strokeWidth={shade.stroke ? 1.4 : 0.5}
                strokeDasharray={shade.dashed ? "3 2" : undefined}
                className={pick ? "cursor-pointer" : undefined}
                onMouseEnter={() => setAt(code)}
                onMouseLeave={() => setAt(undefined)}
                onClick={() => pick?.(code)}
              />
              {shade.hatched && <path d={d} fill={`url(#${hatch})`} pointerEvents="none" />}
            </g>
          );
        })}
      </svg>
      <figcaption className="min-h-5 text-xs quiet">{at ? `${nameOf(at)}: ${shadeOf(at).says}` : label}</figcaption>
    </figure>
  );
}
