import { Field, places } from "./Field";
import { say } from "./say";

/** Name, places and exceptions of a zone or of a row of the tax book. */
export function PlaceFields({ path, without }: { path: string; without?: string }) {
  return (
    <>
      <Field path={`${path}/name`} label={say("name2")} />
      <Field
        path={`${path}/places`}
        label={say("places")}
        note={say("ieUsncGbbtDe1000012999Eu")}
        write={places.write}
        read={places.read}
      />
      <Field path={`${path}/except`} label={say("without")} note={without} write={places.write} read={places.read} />
    </>
  );
}
