/** What a price may be brought to. */
export const endings = [
  { id: "", name: "as it comes out" },
  { id: "whole", name: "raised to .00" },
  { id: "ninety-five", name: "raised to .95" },
  { id: "ninety-nine", name: "raised to .99" },
  { id: "nearest-five", name: "to the nearest 0.05" },
];
