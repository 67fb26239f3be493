import { Field, places } from "./Field";

/** Name, places and exceptions of a zone or of a row of the tax book. */
export function PlaceFields({ path, without }: { path: string; without?: string }) {
  return (
    <>
      <Field path={`${path}/name`} label="Name" />
      <Field
        path={`${path}/places`}
        label="Places"
        note="IE, US-NC, GB:BT, DE:10000..12999, EU"
        write={places.write}
        read={places.read}
      />
      <Field path={`${path}/except`} label="Without" note={without} write={places.write} read={places.read} />
    </>
  );
}
