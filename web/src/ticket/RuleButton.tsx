import { useMarks } from "../desk/bench";
import { sayCode } from "../shared/say";
import { TextButton } from "../shared/TextButton";
import { isField } from "./why";

/** Takes to the field a rule stands in; nothing for rules of the computation itself. */
export function RuleButton({ rule }: { rule: string }) {
  const marks = useMarks();
  if (!isField(rule)) return null;
  return (
    <TextButton className="decoration-dotted" onClick={() => marks.goTo(rule)} title={rule}>
      {sayCode("stationOf", rule.split("/")[0] ?? "")}
    </TextButton>
  );
}
