import { useEffect, useRef, useState } from "react";
import { useBench } from "../../desk/bench";
import { Field } from "../../shared/Field";
import { lines, whole, yesNo, yesNoChoices } from "../../shared/notations";
import { valueAt } from "../../shared/paths";
import { StationHead } from "../../shared/StationHead";

const kinds = [
  { id: "returns", name: "Returns" },
  { id: "terms-of-sale", name: "Terms of sale" },
  { id: "privacy", name: "Privacy" },
  { id: "legal-notice", name: "Legal notice" },
];

/** The facts left, the texts right, in every language of the shop. */
export function TermsStation() {
  const bench = useBench();
  const { shop } = bench.setup;
  const languages = [...new Set([shop.language, ...shop.languages].map((tag) => tag.split("-")[0] ?? tag))];
  return (
    <>
      <StationHead title="Terms">
        <span>facts on one side, what the buyer reads on the other</span>
      </StationHead>
      <div className="grid gap-x-8 gap-y-6 xl:grid-cols-[1fr_2fr]">
        <section aria-label="Facts" className="grid content-start gap-y-3">
          <Field path="terms/returnDays" label="Days to send goods back" placeholder="none promised" {...whole} />
          <Field path="terms/withdrawalDays" label="Days to withdraw" placeholder="none said" {...whole} />
          <Field
            path="terms/onlineWithdrawal"
            label="Buyers can withdraw on our pages"
            choices={yesNoChoices}
            {...yesNo}
          />
          <Field
            path="terms/refundsDelivery"
            label="Standard delivery is refunded on withdrawal"
            choices={yesNoChoices}
            {...yesNo}
          />
          <Field path="terms/returnAddress" label="Sent back to" placeholder="no address yet" {...lines} />
          <Field
            path="terms/prior"
            label="The lowest price of 30 days stands beside a reduction"
            choices={yesNoChoices}
            {...yesNo}
          />
          {languages.map((language) => (
            <Field
              key={language}
              path={`terms/orderButton/${language}`}
              label={`The order button, ${language}`}
              optional
            />
          ))}
        </section>
        <section aria-label="Texts" className="grid content-start gap-y-5">
          {kinds.map((kind) => (
            <div key={kind.id}>
              <h2 className="text-base">{kind.name}</h2>
              <div className="mt-1 grid gap-4 md:grid-cols-2">
                {languages.map((language) => (
                  <Text
                    key={language}
                    path={`terms/texts/${kind.id}/${language}`}
                    label={`${kind.name}, ${language}`}
                    language={language}
                  />
                ))}
              </div>
            </div>
          ))}
          <p className="max-w-2xl text-xs quiet">
            Vest Coin compares the days in a text with the days on the left and says when they differ. It gives no legal
            advice.
          </p>
        </section>
      </div>
    </>
  );
}

/** One text in one language, saved when it is left. */
function Text({ path, label, language }: { path: string; label: string; language: string }) {
  const bench = useBench();
  const area = useRef<HTMLTextAreaElement>(null);
  const saved = String(valueAt(bench.draft.document, path) ?? "");
  const [typed, setTyped] = useState<string>();
  const said = bench.draft.findings.filter((finding) => finding.path === path);

  useEffect(() => {
    if (bench.wanted === path) {
      area.current?.focus();
      bench.arrived();
    }
  }, [bench, path]);

  const leave = async () => {
    if (typed === undefined) return;
    if (typed === saved || (await bench.set(path, typed.trim() === "" ? undefined : typed))) setTyped(undefined);
  };
  return (
    <div>
      <textarea
        ref={area}
        rows={4}
        lang={language}
        dir="auto"
        aria-label={label}
        data-path={path}
        placeholder={`${language}: not written yet`}
        className="textarea w-full"
        value={typed ?? saved}
        onFocus={() => bench.setAt(path)}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={() => void leave()}
      />
      {said.map((finding) => (
        <p key={finding.id} className="text-xs text-warning">
          {finding.sentence}
        </p>
      ))}
    </div>
  );
}
