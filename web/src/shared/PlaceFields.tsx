import { Field } from "./Field";
import { PlacesField } from "./PlacesField";
import { say } from "./say";

/** Name, places and exceptions of a zone or of a row of the tax book. */
export function PlaceFields({ path, without }: { path: string; without?: string }) {
  return (
    <>
      <Field path={`${path}/name`} label={say("nameField")} />
      <PlacesField path={`${path}/places`} label={say("places")} note={say("placesByName")} />
      <PlacesField path={`${path}/except`} label={say("without")} note={without} />
    </>
  );
}
