import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
import { answer, api } from "../../api/client";
import { useBench } from "../../desk/bench";
import { Field } from "../../shared/Field";
import { Fold } from "../../shared/Fold";
import { lines, whole, yesNo, yesNoChoices } from "../../shared/notations";
import { valueAt } from "../../shared/paths";
import { StationHead } from "../../shared/StationHead";
import { Asking } from "./Asking";
import { Duties } from "./Duties";
import { Exclusions } from "./Exclusions";
import { LetterTexts } from "./LetterTexts";
import { OtherWords } from "./OtherWords";
import { OwnPhrases } from "./OwnPhrases";

const kinds = [
  { id: "returns", name: "Returns" },
  { id: "cancellation", name: "Cancelling" },
  { id: "shipping", name: "Shipping" },
  { id: "terms-of-sale", name: "Terms of sale" },
  { id: "privacy", name: "Privacy" },
  { id: "legal-notice", name: "Legal notice" },
];

/** The facts left, the texts right, in every language of the shop. */
export function TermsStation() {
  const bench = useBench();
  const { shop } = bench.setup;
  const path = { params: { path: { shop: bench.shop } } };
  const templates = useQuery({
    queryKey: ["templates", bench.shop],
    queryFn: () => answer(api.GET("/api/shops/{shop}/terms/templates", path)),
    staleTime: Number.POSITIVE_INFINITY,
  });
  const languages = [...new Set([shop.language, ...shop.languages].map((tag) => tag.split("-")[0] ?? tag))];
  const read = useQuery({
    queryKey: ["read", bench.shop, bench.draft.version, languages],
    queryFn: async () =>
      Object.fromEntries(
        await Promise.all(
          languages.map(async (language) => [
            language,
            await answer(
              api.GET("/api/shops/{shop}/terms/read", { params: { path: { shop: bench.shop }, query: { language } } }),
            ),
          ]),
        ),
      ) as Record<string, { kind: string; text: string }[]>,
    placeholderData: keepPreviousData,
  });
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
            path="terms/returnPayer"
            label="Sending back is paid by"
            choices={[
              { id: "", name: "nothing is said" },
              { id: "buyer", name: "the buyer" },
              { id: "shop", name: "the shop" },
            ]}
            read={(text) => text || undefined}
          />
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
                    template={templates.data?.[kind.id]?.[language]}
                    reads={read.data?.[language]?.find((text) => text.kind === kind.id)?.text}
                  />
                ))}
              </div>
            </div>
          ))}
          <p className="max-w-2xl text-xs quiet">
            A fact in braces, as {"{return-days}"}, {"{withdrawal-days}"}, {"{return-address}"} or {"{who-pays}"}, is
            set in from the left, so that text and setting cannot differ. Days, payer and address typed by hand are
            compared, and you are told where they differ. The templates are ours and are no legal advice.
          </p>
        </section>
      </div>
      <Duties />
      <Fold title="What does not come back" note="groups of goods nobody withdraws from, and why">
        <Exclusions />
      </Fold>
      <Fold title="What the counter asks" note="notes, gifts, fields of your own, age, reminders">
        <Asking />
      </Fold>
      <Fold title="Letters" note="what buyers are written, and when">
        <LetterTexts languages={languages} />
      </Fold>
      <Fold title="What we say" note="phrases of counter, letters and papers, worded by you">
        <OwnPhrases languages={[...new Set([shop.language, ...shop.languages])]} />
      </Fold>
      {languages.length > 1 && (
        <Fold title="Other languages" note="names and sentences of goods, delivery, pickup and payment">
          <OtherWords languages={shop.languages} />
        </Fold>
      )}
    </>
  );
}

interface TextProps {
  path: string;
  label: string;
  language: string;
  /** A text of ours to start from. */
  template: string | undefined;
  /** What a buyer reads, the facts set in. */
  reads: string | undefined;
}

/** One text in one language, saved when it is left, with what a buyer reads of it. */
function Text({ path, label, language, template, reads }: TextProps) {
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
      {saved === "" && template && (
        <button type="button" className="cursor-pointer underline" onClick={() => void bench.set(path, template)}>
          Start from our template
        </button>
      )}
      {saved.includes("{") && reads && (
        <details className="text-sm">
          <summary className="cursor-pointer quiet">as buyers read it</summary>
          <p className="whitespace-pre-line border-s-2 border-base-300 ps-3" lang={language}>
            {reads}
          </p>
        </details>
      )}
      {said.map((finding) => (
        <p key={finding.id} className="text-xs text-warning">
          {finding.sentence}
        </p>
      ))}
    </div>
  );
}
