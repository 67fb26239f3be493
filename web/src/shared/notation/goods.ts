import type { Notation } from "../../shared/notations";

const blank = (text: string): boolean => text.trim() === "";
const number = /-?\d+(?:\.\d+)?/.source;

interface Dated {
  price: string;
  window?: { from?: string; to?: string };
}

/** "39.00 from 2026-12-01 to 2026-12-24" */
export const sale: Notation = {
  write: (value) => {
    const it = value as Dated | undefined;
    if (!it) return "";
    return [it.price, it.window?.from && `from ${it.window.from}`, it.window?.to && `to ${it.window.to}`]
      .filter(Boolean)
      .join(" ");
  },
  read: (text) => {
    if (blank(text)) return undefined;
    const found = new RegExp(`^\\s*(${number})(?:\\s+from\\s+(\\S+))?(?:\\s+to\\s+(\\S+))?\\s*$`).exec(text);
    if (!found) return text;
    const [, price, from, to] = found;
    return { price, window: { ...(from ? { from } : {}), ...(to ? { to } : {}) } };
  },
};

interface Step {
  from: string;
  price?: string;
  percent?: string;
}

/** "10: 7.50; 50: 12 %" */
export const breaks: Notation = {
  write: (value) =>
    ((value as Step[] | undefined) ?? [])
      .map((step) => `${step.from}: ${step.price ?? `${step.percent} %`}`)
      .join("; "),
  read: (text) => {
    if (blank(text)) return [];
    const steps = text
      .split(";")
      .map((part) => new RegExp(`^\\s*(${number})\\s*:\\s*(${number})\\s*(%?)\\s*$`).exec(part));
    if (steps.some((step) => !step)) return text;
    return steps.map((step) =>
      step?.[3] ? { from: step[1], percent: step[2] } : { from: step?.[1], price: step?.[2] },
    );
  },
};

interface Measured {
  unit: string;
  step: string;
  least: string;
  most: string;
}

/** "m by 0.05 from 0.5 to 50" */
export const measure: Notation = {
  write: (value) => {
    const it = value as Measured | undefined;
    return it ? `${it.unit} by ${it.step} from ${it.least} to ${it.most}` : "";
  },
  read: (text) => {
    if (blank(text)) return undefined;
    const found = new RegExp(`^\\s*(\\S+)\\s+by\\s+(${number})\\s+from\\s+(${number})\\s+to\\s+(${number})\\s*$`).exec(
      text,
    );
    return found ? { unit: found[1], step: found[2], least: found[3], most: found[4] } : text;
  },
};

/** "5.00 to 500.00" */
export const bounds: Notation = {
  write: (value) => {
    const it = value as { least: string; most: string } | undefined;
    return it ? `${it.least} to ${it.most}` : "";
  },
  read: (text) => {
    if (blank(text)) return undefined;
    const found = new RegExp(`^\\s*(${number})\\s+to\\s+(${number})\\s*$`).exec(text);
    return found ? { least: found[1], most: found[2] } : text;
  },
};

/** "7.00 alone, 1.50 with others" */
export const own: Notation = {
  write: (value) => {
    const it = value as { alone: string; withOthers: string } | undefined;
    return it ? `${it.alone} alone, ${it.withOthers} with others` : "";
  },
  read: (text) => {
    if (blank(text)) return undefined;
    const found = new RegExp(`^\\s*(${number})\\s+alone\\s*,\\s*(${number})\\s+with others\\s*$`).exec(text);
    return found ? { alone: found[1], withOthers: found[2] } : text;
  },
};

interface Again {
  every: number;
  unit: string;
  on?: number;
}

/** "1 months", "2 weeks", "1 months on 15" */
export const renewal: Notation = {
  write: (value) => {
    const it = value as Again | undefined;
    return it ? `${it.every} ${it.unit}${it.on ? ` on ${it.on}` : ""}` : "";
  },
  read: (text) => {
    if (blank(text)) return undefined;
    const found = /^\s*(\d+)\s+(days|weeks|months|years)(?:\s+on\s+(\d+))?\s*$/.exec(text);
    if (!found) return text;
    return { every: Number(found[1]), unit: found[2], ...(found[3] ? { on: Number(found[3]) } : {}) };
  },
};

/** "size=large, colour=red" */
export const choices: Notation = {
  write: (value) =>
    Object.entries((value as Record<string, string> | undefined) ?? {})
      .map(([option, choice]) => `${option}=${choice}`)
      .join(", "),
  read: (text) => {
    const pairs = text.split(",").map((part) => part.split("=").map((each) => each.trim()));
    return pairs.every((pair) => pair.length === 2 && pair[0] && pair[1]) ? Object.fromEntries(pairs) : text;
  },
};
