import type { QuoteView } from "../../api/client";
import { usePriced } from "../../desk/bench";
import { plain } from "../../shared/money";
import { say } from "../../shared/say";

type Packed = QuoteView["consignments"][number]["parcels"][number];
type Box = { x: number; y: number; z: number; dx: number; dy: number; dz: number };
type Point = [number, number];

const COS = Math.cos(Math.PI / 6);
const SIN = 0.5;
/** A point in millimetres as seen from above one corner. */
const seen = (x: number, y: number, z: number): Point => [(x - y) * COS, (x + y) * SIN - z];
const polygon = (points: Point[]): string => points.map((point) => point.join(",")).join(" ");

/** The three faces of a box that can be seen. */
function faces({ x, y, z, dx, dy, dz }: Box): { top: string; left: string; right: string } {
  const [X, Y, Z] = [x + dx, y + dy, z + dz];
  return {
    top: polygon([seen(x, y, Z), seen(X, y, Z), seen(X, Y, Z), seen(x, Y, Z)]),
    left: polygon([seen(x, Y, z), seen(X, Y, z), seen(X, Y, Z), seen(x, Y, Z)]),
    right: polygon([seen(X, y, z), seen(X, Y, z), seen(X, Y, Z), seen(X, y, Z)]),
  };
}

/** The ticket's parcels with what lies in them, drawn from above one corner. */
export function PackedPicture() {
  const priced = usePriced();
  const parcels = (priced?.consignments ?? []).flatMap((sent) => sent.parcels).filter((parcel) => parcel.type);
  if (!priced || parcels.length === 0) return null;
  return (
    <div className="mt-4 flex flex-wrap gap-6">
      {parcels.slice(0, 6).map((parcel, index) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a parcel is its place in the order
        <figure key={index} className="w-44">
          <Drawing parcel={parcel} />
          <figcaption className="mt-1 text-xs quiet">
            {say("parcelHead", {
              type: parcel.type,
              value: plain(parcel.weight.value),
              join: [...new Set(parcel.things.map((thing) => priced.lines[thing.line]?.name ?? ""))].join(", "),
            })}
          </figcaption>
        </figure>
      ))}
      {parcels.length > 6 && <p className="quiet">{say("andMore", { count: parcels.length - 6 })}</p>}
    </div>
  );
}

function Drawing({ parcel }: { parcel: Packed }) {
  const boxes = parcel.things.filter((thing) => thing.dx > 0);
  if (boxes.length === 0) return <p className="text-xs quiet">{say("packedByVolumeWeightNothing")}</p>;
  const far = {
    x: 0,
    y: 0,
    z: 0,
    dx: Math.max(...boxes.map((box) => box.x + box.dx)),
    dy: Math.max(...boxes.map((box) => box.y + box.dy)),
    dz: Math.max(...boxes.map((box) => box.z + box.dz)),
  };
  const corners: Point[] = [
    seen(0, far.dy, 0),
    seen(far.dx, 0, 0),
    seen(0, 0, far.dz),
    seen(far.dx, far.dy, 0),
    seen(far.dx, far.dy, far.dz),
    seen(0, far.dy, far.dz),
    seen(far.dx, 0, far.dz),
  ];
  const xs = corners.map((corner) => corner[0]);
  const ys = corners.map((corner) => corner[1]);
  const [left, top] = [Math.min(...xs), Math.min(...ys)];
  const [width, height] = [Math.max(...xs) - left, Math.max(...ys) - top];
  const nearestLast = [...boxes].sort((a, b) => a.x + a.y + a.z - (b.x + b.y + b.z));
  const pad = width * 0.02;
  return (
    <svg
      viewBox={`${left - pad} ${top - pad} ${width + 2 * pad} ${height + 2 * pad}`}
      className="max-h-36 w-full"
      role="img"
      aria-label={say("things", { count: boxes.length, type: parcel.type })}
    >
      {nearestLast.map((box) => {
        const face = faces(box);
        return (
          <g
            key={`${box.x} ${box.y} ${box.z}`}
            stroke="var(--color-base-content)"
            strokeWidth={width / 220}
            strokeLinejoin="round"
          >
            <polygon points={face.left} fill="var(--color-base-300)" />
            <polygon points={face.right} fill="var(--color-secondary)" />
            <polygon points={face.top} fill="var(--color-base-100)" />
          </g>
        );
      })}
    </svg>
  );
}
