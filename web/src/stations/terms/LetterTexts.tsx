import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api } from "../../api/client";
import { useActs, useBench, useMarks, useSpotlight, useTroubles } from "../../desk/bench";
import { type SetupPath, setupPath } from "../../shared/paths";
import { languageName } from "../../shared/places";
import { say } from "../../shared/say";
import { TextButton } from "../../shared/TextButton";

const occasions = [
  { id: "receipt", name: say("orderConfirmed"), to: say("toTheBuyer") },
  { id: "copy", name: say("orderConfirmed"), to: say("you") },
  { id: "sent", name: say("allHasLeft"), to: say("toTheBuyer") },
  { id: "refund", name: say("moneyWasGivenBack"), to: say("toTheBuyer") },
  { id: "cancelled", name: say("youCalledOff"), to: say("toTheBuyer") },
  { id: "called-off", name: say("buyerCalledOff"), to: say("toTheBuyer") },
  { id: "unfinished", name: say("basketWasLeft"), to: say("buyerWhoAgreed") },
  { id: "reminder", name: say("youRemindPayment"), to: say("toTheBuyer") },
  { id: "hold-reminder", name: say("halfWayToLapsing"), to: say("toTheBuyer") },
  { id: "paid", name: say("waitedMoneyCame"), to: say("toTheBuyer") },
  { id: "lapsed", name: say("orderHasLapsed"), to: say("toTheBuyer") },
  { id: "sent-part", name: say("partHasLeft"), to: say("toTheBuyer") },
  { id: "ready", name: say("readyToCollectLetter"), to: say("toTheBuyer") },
  { id: "download", name: say("filesCanBeFetched"), to: say("toTheBuyer") },
  { id: "voucher", name: say("voucherSold"), to: say("toTheBuyer") },
  { id: "voucher-gift", name: say("voucherGiven"), to: say("toWhoGetsIt") },
  { id: "renewal", name: say("chargedAgainLetter"), to: say("toTheBuyer") },
  { id: "renewal-announced", name: say("otherPriceAnnounced"), to: say("toTheBuyer") },
  { id: "renewal-asked", name: say("otherPriceAsked"), to: say("toTheBuyer") },
  { id: "renewal-failed", name: say("chargeDeclined"), to: say("toTheBuyer") },
  { id: "renewal-missed", name: say("chargeSoldOut"), to: say("toTheBuyer") },
  { id: "renewal-lapsed", name: say("subscriptionLapsed"), to: say("toTheBuyer") },
  { id: "renewal-stopped", name: say("subscriptionStopped"), to: say("toTheBuyer") },
  { id: "renewal-ended", name: say("subscriptionEnded"), to: say("toTheBuyer") },
];

interface Written {
  subject: string;
  opening: string;
}

/** How each letter begins, in each language: ours until the shop words its own. */
export function LetterTexts({ languages }: { languages: string[] }) {
  const { shop } = useBench();
  const shipped = useQuery({
    queryKey: ["letter-texts", shop],
    queryFn: () => answer(api.GET("/api/shops/{shop}/letter-texts", { params: { path: { shop } } })),
    staleTime: Number.POSITIVE_INFINITY,
  });
  if (!shipped.data) return null;
  return (
    <>
      <p className="mb-3 max-w-2xl text-xs quiet">{say("nameShopOrderAmountAre")}</p>
      {occasions.map((occasion) => (
        <section key={occasion.id} className="mb-4" aria-label={`${occasion.name}, ${occasion.to}`}>
          <h3>
            {occasion.name} <span className="quiet">{occasion.to}</span>
          </h3>
          <div className="grid gap-4 md:grid-cols-2">
            {languages.map((language) => (
              <LetterText
                key={language}
                path={setupPath("terms", "letters", occasion.id, language)}
                label={`${occasion.name}, ${occasion.to}, ${languageName(language)}`}
                language={language}
                shipped={shipped.data[occasion.id]?.[language] ?? shipped.data[occasion.id]?.en}
              />
            ))}
          </div>
        </section>
      ))}
    </>
  );
}

interface Props {
  path: SetupPath;
  label: string;
  language: string;
  shipped: Written | undefined;
}

function LetterText({ path, label, language, shipped }: Props) {
  const bench = useBench();
  const acts = useActs();
  const spotlight = useSpotlight();
  const troubles = useTroubles();
  const marks = useMarks();
  const [, , occasion = "", tag = ""] = path.split("/");
  const own = bench.setup.terms.letters[occasion]?.[tag] as Written | undefined;
  const saved = own ?? shipped ?? { subject: "", opening: "" };
  const [typed, setTyped] = useState<Written>();
  const shown = typed ?? saved;
  const leave = async () => {
    if (!typed) return;
    const same = typed.subject === saved.subject && typed.opening === saved.opening;
    const emptied = typed.subject.trim() === "" && typed.opening.trim() === "";
    if (same || (await acts.set(path, emptied ? undefined : typed))) setTyped(undefined);
  };
  const refused = spotlight.at === path ? troubles.problems : [];
  return (
    <fieldset
      lang={language}
      data-path={path}
      onFocus={() => marks.setAt(path)}
      onBlur={(event) => {
        if (!event.currentTarget.contains(event.relatedTarget)) void leave();
      }}
    >
      <legend className="sr-only">{label}</legend>
      <input
        className="input input-sm w-full"
        aria-label={say("subject", { label })}
        dir="auto"
        value={shown.subject}
        onChange={(event) => setTyped({ ...shown, subject: event.target.value })}
      />
      <textarea
        rows={4}
        className="textarea mt-1 w-full"
        aria-label={say("letterOpening", { label })}
        dir="auto"
        value={shown.opening}
        onChange={(event) => setTyped({ ...shown, opening: event.target.value })}
      />
      {refused.map((problem) => (
        <p key={problem.path} role="alert" className="text-error">
          {problem.sentence} {problem.remedy}
        </p>
      ))}
      {own && !typed && (
        <TextButton onClick={() => void acts.set(path, undefined)}>{say("backLetterShips")}</TextButton>
      )}
    </fieldset>
  );
}
