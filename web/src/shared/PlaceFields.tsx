import type { Setup } from "../api/client";
import { Field } from "./Field";
import { PlacesField } from "./PlacesField";
import { type SetupPath, under } from "./paths";
import { say } from "./say";

/** What holds places, and those left out of them. */
type Places = Setup["delivery"]["zones"][number] | Setup["tax"]["places"][number];

/** Name, places and exceptions of a zone or of a row of the tax book. */
export function PlaceFields({ path, without }: { path: SetupPath<Places>; without?: string }) {
  return (
    <>
      <Field path={under(path)("name")} label={say("nameField")} />
      <PlacesField path={under(path)("places")} label={say("places")} note={say("placesByName")} />
      <PlacesField path={under(path)("except")} label={say("without")} note={without} />
    </>
  );
}
