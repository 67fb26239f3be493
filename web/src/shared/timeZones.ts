/** The city a time zone is named for. */
export const cityOf = (zone: string): string => (zone.split("/").at(-1) ?? zone).replaceAll("_", " ");

/** A time zone by its city and by what its time is called, such as "New York, Eastern Time". */
export function timeZoneName(id: string, language: string): string {
  const time = new Intl.DateTimeFormat(language, { timeZone: id, timeZoneName: "longGeneric" })
    .formatToParts(0)
    .find((part) => part.type === "timeZoneName")?.value;
  return time ? `${cityOf(id)}, ${time}` : cityOf(id);
}
