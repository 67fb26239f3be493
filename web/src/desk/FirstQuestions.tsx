import { useQuery } from "@tanstack/react-query";
import { type ReactNode, useState } from "react";
import { useNavigate } from "react-router";
import { answer, api, type FirstAnswers } from "../api/client";
import { useNames } from "../shared/NamedField";
import { NamedInput } from "../shared/NamedInput";
import { type Named, named } from "../shared/named";
import { useRegions } from "../shared/PlacesField";
import { countryName } from "../shared/places";
import { Said } from "../shared/Said";
import { StationHead } from "../shared/StationHead";
import { say } from "../shared/say";
import { TextButton } from "../shared/TextButton";
import { useActs, useBench, useTroubles } from "./bench";

const sells = [
  { id: "things", name: say("thingsAreHandedOver") },
  { id: "downloads", name: say("downloads") },
  { id: "services", name: say("servicesAtOurPlace") },
];
const ways = [
  { id: "sent", name: say("sent") },
  { id: "fetched", name: say("fetchedFromUs") },
  { id: "brought", name: say("broughtRoundByUs") },
];
const prices = [
  { id: "with-tax", name: say("withTaxInside") },
  { id: "without-tax", name: say("withoutTaxAdded") },
];

const nameIn = (names: readonly Named[], code: string): string => named(names, code)?.name ?? code;

/** Six questions of a new shop. Each can be left as it is; the draft that follows already prices a basket. */
export function FirstQuestions() {
  const bench = useBench();
  const acts = useActs();
  const troubles = useTroubles();
  const navigate = useNavigate();
  const { shop } = bench.setup;
  const home = countryName(shop.address.country);
  const usual = useQuery({
    queryKey: ["usual", bench.shop],
    queryFn: () => answer(api.GET("/api/shops/{shop}/draft/usual", { params: { path: { shop: bench.shop } } })),
  });
  const regions = useRegions(shop.address.country);
  const currencies = useNames("currency", "");
  const languages = useNames("language", usual.data?.language ?? "");
  const [given, setGiven] = useState<Partial<FirstAnswers>>({});
  const give = (part: Partial<FirstAnswers>) => setGiven((now) => ({ ...now, ...part }));
  const who = [
    { id: "country", name: say("people", { home }) },
    { id: "union", name: say("allEuropeanUnion") },
    { id: "everywhere", name: say("everybody") },
  ];
  const begin = async () => {
    const answers = { sells: ["things"], ways: ["sent"], ...given } as FirstAnswers;
    if (await acts.begin(answers)) void navigate(`/desk/${bench.shop}/goods`);
  };
  if (!usual.data) return null;
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        void begin();
      }}
    >
      <StationHead title={say("firstQuestions")}>
        <TextButton onClick={() => void navigate(`/desk/${bench.shop}/shop`)}>{say("beginWithNothing")}</TextButton>
      </StationHead>
      <p className="max-w-2xl quiet">{say("sixQuestionsNoneThemFinal")}</p>
      <ol className="mt-4 grid max-w-3xl gap-y-4">
        <Question number={1} title={say("whereAreYou")} note={say("onlyWhereTaxesDifferBy")}>
          <span>{home},</span>
          <NamedInput
            label={say("region")}
            names={regions}
            className="w-48"
            placeholder={say("anywhere")}
            give={(region) => give({ region })}
            autoFocus
          />
        </Question>
        <Question number={2} title={say("whatDoYouSell")}>
          <Some name="sells" choices={sells} usual={["things"]} give={(chosen) => give({ sells: chosen as never })} />
        </Question>
        <Question number={3} title={say("howDoPeopleGet")}>
          <Some name="ways" choices={ways} usual={["sent"]} give={(chosen) => give({ ways: chosen as never })} />
        </Question>
        <Question number={4} title={say("whoMayOrder")}>
          <One name="to" choices={who} usual="country" give={(chosen) => give({ to: chosen as never })} />
        </Question>
        <Question number={5} title={say("howDoYouWritePrices")}>
          <One
            name="prices"
            choices={prices}
            usual={usual.data.prices}
            give={(chosen) => give({ prices: chosen as never })}
          />
        </Question>
        <Question number={6} title={say("moneyLanguage")}>
          <NamedInput
            label={say("currency")}
            names={currencies}
            initial={shop.currency || usual.data.currency}
            className="w-40"
            give={(currency) => give({ currency })}
          />
          <NamedInput
            label={say("language")}
            names={languages}
            initial={usual.data.language}
            className="w-44"
            give={(language) => give({ language })}
          />
        </Question>
      </ol>
      <p className="mt-4 max-w-2xl" role="status">
        {say("understoodSoFar", {
          country: home,
          region: given.region ? `, ${named(regions, given.region)?.name ?? given.region}` : "",
          currency: nameIn(currencies, given.currency || shop.currency || usual.data.currency),
          language: nameIn(languages, given.language || usual.data.language),
          prices: (given.prices ?? usual.data.prices) === "with-tax" ? say("withTax") : say("withoutTax"),
        })}
      </p>
      <Said problems={troubles.problems} />
      <button type="submit" className="btn btn-primary mt-6">
        {say("beginWithThese")}
      </button>
      <p className="mt-2 max-w-2xl text-xs quiet">{say("taxRatesAreFilledFrom")}</p>
    </form>
  );
}

function Question({
  number,
  title,
  note,
  children,
}: {
  number: number;
  title: string;
  note?: string;
  children: ReactNode;
}) {
  return (
    <li className="grid grid-cols-[1.5rem_1fr] items-center gap-x-3 md:grid-cols-[1.5rem_14rem_1fr] max-md:[&>:last-child]:col-start-2 border-b border-base-300 pb-4">
      <span className="font-mono quiet">{number}</span>
      <span className="font-semibold">{title}</span>
      <span className="flex flex-wrap items-center gap-x-5 gap-y-1">
        {children}
        {note && <span className="text-xs quiet">{note}</span>}
      </span>
    </li>
  );
}

interface Choices {
  name: string;
  choices: { id: string; name: string }[];
}

function Some({ name, choices, usual, give }: Choices & { usual: string[]; give: (chosen: string[]) => void }) {
  const [chosen, setChosen] = useState(usual);
  return choices.map((choice) => (
    <label key={choice.id} className="inline-flex cursor-pointer items-center gap-1.5">
      <input
        type="checkbox"
        name={name}
        className="checkbox checkbox-sm"
        checked={chosen.includes(choice.id)}
        onChange={(event) => {
          const next = choices
            .map((each) => each.id)
            .filter((id) => (id === choice.id ? event.target.checked : chosen.includes(id)));
          setChosen(next);
          give(next);
        }}
      />
      {choice.name}
    </label>
  ));
}

function One({ name, choices, usual, give }: Choices & { usual: string; give: (chosen: string) => void }) {
  return choices.map((choice) => (
    <label key={choice.id} className="inline-flex cursor-pointer items-center gap-1.5">
      <input
        type="radio"
        name={name}
        className="radio radio-sm"
        defaultChecked={choice.id === usual}
        onChange={() => give(choice.id)}
      />
      {choice.name}
    </label>
  ));
}
