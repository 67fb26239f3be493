import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
import { answer, api } from "../../api/client";
import { useActs, useBench, useMarks, useSpotlight } from "../../desk/bench";
import { Field } from "../../shared/Field";
import { Fold } from "../../shared/Fold";
import type { Notation } from "../../shared/notation/notation";
import { lines, whole, yesNo, yesNoChoices } from "../../shared/notation/plain";
import { type SetupPath, setupPath, valueAt } from "../../shared/paths";
import { languageName } from "../../shared/places";
import { StationHead } from "../../shared/StationHead";
import { say } from "../../shared/say";
import { TextButton } from "../../shared/TextButton";
import { Asking } from "./Asking";
import { Duties } from "./Duties";
import { Exclusions } from "./Exclusions";
import { LetterTexts } from "./LetterTexts";
import { MailServer } from "./MailServer";
import { OtherWords } from "./OtherWords";
import { OwnPhrases } from "./OwnPhrases";
import { SellerNotices } from "./SellerNotices";
import { ShortMessages } from "./ShortMessages";

const kinds = [
  { id: "returns", name: say("returns") },
  { id: "cancellation", name: say("cancelling") },
  { id: "shipping", name: say("shipping") },
  { id: "terms-of-sale", name: say("termsSale") },
  { id: "privacy", name: say("privacy") },
  { id: "legal-notice", name: say("legalNotice") },
];

const callOffs = [
  { id: "", name: say("notThemselves") },
  { id: "leaves", name: say("untilItLeaves") },
  { id: "hours", name: say("forSomeHours") },
];

/** Not at all, until something leaves, or for hours: a day, until another number is typed. */
const callOff: Notation = {
  write: (value) => (value == null ? "" : (value as { hours?: number | null }).hours == null ? "leaves" : "hours"),
  read: (text) => (text === "" ? undefined : text === "hours" ? { hours: 24 } : {}),
};

/** The facts left, the texts right, in every language of the shop. */
export function TermsStation() {
  const bench = useBench();
  const acts = useActs();
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
  const lacking = kinds.flatMap(({ id }) =>
    languages.flatMap((language): [SetupPath, unknown][] => {
      const path = setupPath("terms", "texts", id, language);
      const template = templates.data?.[id]?.[language];
      return template && !valueAt(bench.draft.document, path) ? [[path, template]] : [];
    }),
  );
  return (
    <>
      <StationHead title={say("terms")}>
        <span>{say("factsOnOneSideWhat")}</span>
      </StationHead>
      <div className="grid gap-x-8 gap-y-6 xl:grid-cols-[1fr_2fr]">
        <section aria-label={say("facts")} className="grid content-start gap-y-3">
          <Field
            path={setupPath("terms", "returnDays")}
            label={say("daysSendGoodsBack")}
            placeholder={say("nonePromised")}
            {...whole}
          />
          <Field
            path={setupPath("terms", "withdrawalDays")}
            label={say("daysWithdraw")}
            placeholder={say("noneSaid")}
            {...whole}
          />
          <Field
            path={setupPath("terms", "onlineWithdrawal")}
            label={say("buyersCanWithdrawOnOur")}
            choices={yesNoChoices}
            {...yesNo}
          />
          <Field
            path={setupPath("terms", "refundsDelivery")}
            label={say("standardDeliveryRefundedOnWithdrawal")}
            choices={yesNoChoices}
            {...yesNo}
          />
          <Field
            path={setupPath("terms", "returnAddress")}
            label={say("sentBackTo")}
            placeholder={say("noAddressYet")}
            {...lines}
          />
          <Field
            path={setupPath("terms", "returnPayer")}
            label={say("sendingBackPaidBy")}
            choices={[
              { id: "", name: say("nothingSaid") },
              { id: "buyer", name: say("theBuyer") },
              { id: "shop", name: say("theShop") },
            ]}
            read={(text) => text || undefined}
          />
          <Field path={setupPath("terms", "callOff")} label={say("buyersCallOff")} choices={callOffs} {...callOff} />
          {bench.setup.terms.callOff?.hours != null && (
            <Field path={setupPath("terms", "callOff", "hours")} label={say("hoursToCallOff")} {...whole} />
          )}
          <Field path={setupPath("terms", "prior")} label={say("lowestPriceShown")} choices={yesNoChoices} {...yesNo} />
          {languages.map((language) => (
            <Field
              key={language}
              path={setupPath("terms", "orderButton", language)}
              label={say("orderButton", { language: languageName(language) })}
              optional
            />
          ))}
        </section>
        <section aria-label={say("texts")} className="grid content-start gap-y-5">
          {lacking.length > 0 && (
            <p>
              <button type="button" className="btn btn-sm" onClick={() => void acts.setAll(lacking)}>
                {say("takeAllTemplates", { count: lacking.length })}
              </button>
              <span className="block text-xs quiet">{say("takeAllTemplatesNote")}</span>
            </p>
          )}
          {kinds.map((kind) => (
            <div key={kind.id}>
              <h2 className="text-base">{kind.name}</h2>
              <div className="mt-1 grid gap-4 md:grid-cols-2">
                {languages.map((language) => (
                  <Text
                    key={language}
                    path={setupPath("terms", "texts", kind.id, language)}
                    label={`${kind.name}, ${languageName(language)}`}
                    language={language}
                    template={templates.data?.[kind.id]?.[language]}
                    reads={read.data?.[language]?.find((text) => text.kind === kind.id)?.text}
                  />
                ))}
              </div>
            </div>
          ))}
          <p className="max-w-2xl text-xs quiet">{say("factBracesAsReturndaysWithdrawaldays")}</p>
        </section>
      </div>
      <Duties />
      <Fold title={say("whatDoesNotComeBack")} note={say("groupsGoodsNobodyWithdrawsFrom")}>
        <Exclusions />
      </Fold>
      <Fold title={say("whatCounterAsks")} note={say("notesGiftsFieldsYourOwn")}>
        <Asking />
      </Fold>
      <Fold title={say("letters")} note={say("whatBuyersAreWrittenWhen")}>
        <MailServer />
        <SellerNotices />
        <ShortMessages />
        <LetterTexts languages={languages} />
      </Fold>
      <Fold title={say("whatWeSay")} note={say("phrasesCounterLettersPapersWorded")}>
        <OwnPhrases languages={[...new Set([shop.language, ...shop.languages])]} />
      </Fold>
      {languages.length > 1 && (
        <Fold title={say("otherLanguages")} note={say("namesSentencesGoodsDeliveryPickup")}>
          <OtherWords languages={shop.languages} />
        </Fold>
      )}
    </>
  );
}

interface TextProps {
  path: SetupPath;
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
  const spotlight = useSpotlight();
  const marks = useMarks();
  const acts = useActs();
  const area = useRef<HTMLTextAreaElement>(null);
  const saved = String(valueAt(bench.draft.document, path) ?? "");
  const [typed, setTyped] = useState<string>();
  const said = bench.draft.findings.filter((finding) => finding.path === path);

  useEffect(() => {
    if (spotlight.wanted === path) {
      area.current?.focus();
      marks.arrived();
    }
  }, [spotlight.wanted, marks, path]);

  const leave = async () => {
    if (typed === undefined) return;
    if (typed === saved || (await acts.set(path, typed.trim() === "" ? undefined : typed))) setTyped(undefined);
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
        placeholder={say("notWrittenYet", { language: languageName(language) })}
        className="textarea w-full"
        value={typed ?? saved}
        onFocus={() => marks.setAt(path)}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={() => void leave()}
      />
      {saved === "" && template && (
        <TextButton onClick={() => void acts.set(path, template)}>{say("startFromOurTemplate")}</TextButton>
      )}
      {saved.includes("{") && reads && (
        <details className="text-sm">
          <summary className="cursor-pointer quiet">{say("asBuyersRead")}</summary>
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
