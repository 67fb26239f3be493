/** "2-4" working days. */
export const dayText = {
  write: (value: unknown) => {
    const days = value as { from: number; to: number } | undefined;
    return days ? (days.from === days.to ? `${days.from}` : `${days.from}-${days.to}`) : "";
  },
  read: (text: string) => {
    const days = /^\s*(\d{1,3})\s*(?:[-–]\s*(\d{1,3}))?\s*$/.exec(text);
    return days ? { from: Number(days[1]), to: Number(days[2] ?? days[1]) } : text.trim() === "" ? undefined : text;
  },
};

/** "53.2707, -9.0568" */
export const point = {
  write: (value: unknown) => {
    const at = value as { latitude: string; longitude: string } | undefined;
    return at ? `${at.latitude}, ${at.longitude}` : "";
  },
  read: (text: string) => {
    if (text.trim() === "") return undefined;
    const found = /^\s*(-?\d+(?:\.\d+)?)\s*[,;\s]\s*(-?\d+(?:\.\d+)?)\s*$/.exec(text);
    return found ? { latitude: found[1], longitude: found[2] } : text;
  },
};

interface Volume {
  divisor: string;
  unit: string;
  step?: string;
}

/** "5000 cm3/kg by 0.5 kg" */
export const volume = {
  write: (value: unknown) => {
    const it = value as Volume | undefined;
    if (!it) return "";
    return `${it.divisor} ${it.unit === "in3-per-lb" ? "in3/lb" : "cm3/kg"}${it.step ? ` by ${it.step}` : ""}`;
  },
  read: (text: string) => {
    if (text.trim() === "") return undefined;
    const found = /^\s*(\d+(?:\.\d+)?)\s*(cm3\/kg|in3\/lb)(?:\s+by\s+(.+?))?\s*$/.exec(text.replace(/³/g, "3"));
    if (!found) return text;
    const unit = found[2] === "in3/lb" ? "in3-per-lb" : "cm3-per-kg";
    return { divisor: found[1], unit, ...(found[3] ? { step: found[3] } : {}) };
  },
};
