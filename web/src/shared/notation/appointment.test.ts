import { expect, test } from "vitest";
import { appointment, readAppointment } from "./appointment";

test("a day and hours are read however they are typed", () => {
  const when = { starts: "2026-12-05T10:00", ends: "2026-12-05T13:00" };
  expect(readAppointment("5 Dec 2026 10:00–13:00")).toEqual(when);
  expect(readAppointment("2026-12-05 10-13")).toEqual(when);
  expect(readAppointment("5.12.2026, 10:00 to 13:00")).toEqual(when);
  expect(appointment.read(appointment.write(when))).toEqual(when);
});

test("what is no day with hours is handed on as it is", () => {
  expect(appointment.read("Saturday 10-13")).toBe("Saturday 10-13");
  expect(appointment.read("5 Dec 2026")).toBe("5 Dec 2026");
  expect(appointment.read("")).toBeUndefined();
});
