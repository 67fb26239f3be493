import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import {
  type Context,
  createContext,
  type ReactNode,
  useCallback,
  useContext,
  useEffect,
  useMemo,
  useState,
} from "react";
import { useNavigate } from "react-router";
import {
  answer,
  api,
  type Destination,
  type DraftView,
  type Edit,
  type FirstAnswers,
  type Problem,
  problemsOf,
  type QuoteView,
  type Setup,
} from "../api/client";
import { editOf, type SetupPath } from "../shared/paths";
import { say } from "../shared/say";

/** What is worked on. It changes when a change is made, not while one is typed. */
export interface Bench {
  shop: string;
  draft: DraftView;
  setup: Setup;
}

/** What can be done to the draft. These never change, so nothing is drawn again for them. */
export interface Acts {
  /** A change being typed, not made yet; the ticket prices with it. */
  try: (path: SetupPath, now: unknown) => void;
  stopTrying: () => void;
  /** Makes an edit; false when it was refused, with the reason among the troubles. */
  commit: (edits: Edit[]) => Promise<boolean>;
  set: (path: SetupPath, now: unknown) => Promise<boolean>;
  /** Several changes in one act. */
  setAll: (changes: [path: SetupPath, now: unknown][]) => Promise<boolean>;
  /** Makes those edits of a block that can be made; false when some were left, with the reasons among the troubles. */
  paste: (edits: Edit[]) => Promise<boolean>;
  /** Reads the draft anew, after something else has changed it. */
  refresh: () => void;
  begin: (answers: FirstAnswers) => Promise<boolean>;
  fillTax: () => Promise<boolean>;
  undo: () => void;
  redo: () => void;
  publish: (note: string) => Promise<boolean>;
}

/** What the parts of the desk tell one another. These never change either. */
export interface Marks {
  refuse: (problems: Problem[]) => void;
  /** Takes back what a field was refused. */
  takeBack: (path: string) => void;
  setReadings: (readings: Typed["readings"]) => void;
  setAt: (path: string) => void;
  setLit: (paths: ReadonlySet<string>) => void;
  setPriced: (quote: QuoteView | undefined) => void;
  goTo: (path: string) => void;
  arrived: () => void;
  /** Puts a sample order on the ticket, going to a place. */
  showOrder: (basket: string, to: Destination) => void;
  /** Prices the ticket as of an edition, or as the draft again. */
  priceAsOf: (edition: number | undefined) => void;
}

/** What is being typed, and how it reads: it changes at every keystroke. */
export interface Typed {
  /** Edits not made yet. */
  trying: Edit[];
  /** Cells being typed, read back. */
  readings: Record<string, { text: string; words: string[] }>;
}

export interface Troubles {
  /** Why the last change, tried or made, was refused. */
  problems: Problem[];
  /** Why what was typed into a field could not be kept, by the field's path, until it is put right or taken back. */
  refusals: Readonly<Record<string, Problem[]>>;
}

/** What is pointed at. */
export interface Spotlight {
  /** The field under the cursor on the station; ticket rows it makes are lit. */
  at: string;
  /** Rules of the focused ticket row; the cells that made it are lit. */
  lit: ReadonlySet<string>;
  /** A field somebody asked to be taken to. */
  wanted: string;
  /** The sample order somebody asked to see on the ticket, and where it goes. */
  order: { basket: string; to: Destination } | undefined;
  /** The edition the ticket is priced as of; the draft without one. */
  edition: number | undefined;
}

const BenchContext = createContext<Bench | null>(null);
const ActsContext = createContext<Acts | null>(null);
const MarksContext = createContext<Marks | null>(null);
const TypedContext = createContext<Typed | null>(null);
const TroublesContext = createContext<Troubles | null>(null);
const SpotlightContext = createContext<Spotlight | null>(null);
const PricedContext = createContext<QuoteView | undefined>(undefined);

function useWithin<T>(context: Context<T | null>): T {
  const found = useContext(context);
  if (!found) throw new Error("outside of the bench");
  return found;
}

// Each is what a component is drawn again for, so it asks for no more than it shows.
export const useBench = (): Bench => useWithin(BenchContext);
export const useActs = (): Acts => useWithin(ActsContext);
export const useMarks = (): Marks => useWithin(MarksContext);
export const useTyped = (): Typed => useWithin(TypedContext);
export const useTroubles = (): Troubles => useWithin(TroublesContext);
export const useSpotlight = (): Spotlight => useWithin(SpotlightContext);
/** The ticket as it was last priced. */
export const usePriced = (): QuoteView | undefined => useContext(PricedContext);

const NOTHING: ReadonlySet<string> = new Set();
const NONE: Problem[] = [];

/** The field that shows a path, a part of it, or what it is a part of. */
function nearest(path: string): HTMLElement | null {
  for (let steps = path.split("/"); steps.length > 1; steps = steps.slice(0, -1)) {
    const at = CSS.escape(steps.join("/"));
    const field = document.querySelector<HTMLElement>(`main [data-path="${at}"], main [data-path^="${at}/"]`);
    if (field) return field;
  }
  return null;
}

export function BenchProvider({ shop, children }: { shop: string; children: ReactNode }) {
  const client = useQueryClient();
  const navigate = useNavigate();
  const [trying, setTrying] = useState<Edit[]>([]);
  const [readings, setReadings] = useState<Typed["readings"]>({});
  const [problems, setProblems] = useState<Problem[]>(NONE);
  const [refusals, setRefusals] = useState<Record<string, Problem[]>>({});
  const [at, setAt] = useState("");
  const [lit, setLit] = useState<ReadonlySet<string>>(NOTHING);
  const [priced, setPriced] = useState<QuoteView>();
  const [wanted, setWanted] = useState("");
  const [order, setOrder] = useState<Spotlight["order"]>();
  const [edition, setEdition] = useState<number>();
  const key = useMemo(() => ["draft", shop], [shop]);
  const path = useMemo(() => ({ params: { path: { shop } } }), [shop]);
  const query = useQuery({ queryKey: key, queryFn: () => answer(api.GET("/api/shops/{shop}/draft", path)) });
  const draft = query.data;

  const marks = useMemo<Marks>(
    () => ({
      // Nothing wrong, as before, is no reason to draw the desk again.
      refuse: (next) => setProblems((now) => (next.length === 0 && now.length === 0 ? now : next)),
      takeBack: (target) => setRefusals(({ [target]: _, ...rest }) => rest),
      setReadings: (next) =>
        setReadings((now) => (Object.keys(next).length === 0 && Object.keys(now).length === 0 ? now : next)),
      setAt,
      setLit,
      setPriced,
      goTo: (target) => {
        setWanted(target);
        // Discounts lie with the goods.
        const station = target.split("/")[0]?.replace("discounts", "goods");
        if (station) void navigate(`/desk/${shop}/${station}`);
      },
      arrived: () => setWanted(""),
      showOrder: (basket, to) => setOrder({ basket, to }),
      priceAsOf: setEdition,
    }),
    [navigate, shop],
  );

  const change = useMutation({
    mutationFn: (call: () => Promise<DraftView>) => call(),
    onSuccess: (fresh) => {
      client.setQueryData(key, fresh);
      setTrying([]);
      marks.refuse([]);
    },
    onError: (reason) => {
      marks.refuse(problemsOf(reason));
      void client.invalidateQueries({ queryKey: key });
    },
  });
  const run = change.mutateAsync;
  const made = useCallback(
    (call: () => Promise<DraftView>, target?: string) =>
      run(call).then(
        () => {
          if (target) marks.takeBack(target);
          return true;
        },
        (reason: unknown) => {
          if (target) setRefusals((now) => ({ ...now, [target]: problemsOf(reason) }));
          return false;
        },
      ),
    [run, marks],
  );

  const acts = useMemo<Acts>(() => {
    const document = () => client.getQueryData<DraftView>(key)?.document;
    const commit = (edits: Edit[]) =>
      made(() => answer(api.POST("/api/shops/{shop}/draft/edits", { ...path, body: { edits } })), edits[0]?.path);
    return {
      try: (target, now) => setTrying([editOf(document(), target, now)]),
      stopTrying: () => {
        setTrying((now) => (now.length === 0 ? now : []));
        marks.refuse([]);
      },
      commit,
      set: (target, now) => commit([editOf(document(), target, now)]),
      setAll: (changes) => commit(changes.map(([target, now]) => editOf(document(), target, now))),
      paste: async (edits) => {
        const pasted = await answer(api.POST("/api/shops/{shop}/draft/paste", { ...path, body: { edits } })).catch(
          (reason: unknown) => {
            marks.refuse(problemsOf(reason));
            return null;
          },
        );
        if (!pasted) return false;
        client.setQueryData(key, pasted.draft);
        setTrying([]);
        marks.refuse(pasted.left);
        return pasted.left.length === 0;
      },
      refresh: () => void client.invalidateQueries({ queryKey: key }),
      begin: (answers) => made(() => answer(api.POST("/api/shops/{shop}/draft/begin", { ...path, body: answers }))),
      fillTax: () => made(() => answer(api.POST("/api/shops/{shop}/draft/tax/fill", path))),
      undo: () => void made(() => answer(api.POST("/api/shops/{shop}/draft/undo", path))),
      redo: () => void made(() => answer(api.POST("/api/shops/{shop}/draft/redo", path))),
      publish: (note) => made(() => answer(api.POST("/api/shops/{shop}/draft/publish", { ...path, body: { note } }))),
    };
  }, [client, key, path, made, marks]);

  // A rule may be less than a field, or lie in one: then the nearest field there is takes the cursor.
  useEffect(() => {
    if (!wanted) return;
    const timer = setTimeout(() => {
      nearest(wanted)?.focus();
      setWanted("");
    }, 600);
    return () => clearTimeout(timer);
  }, [wanted]);

  const bench = useMemo(() => draft && { shop, draft, setup: draft.document as Setup }, [shop, draft]);
  const typed = useMemo(() => ({ trying, readings }), [trying, readings]);
  const troubles = useMemo(() => ({ problems, refusals }), [problems, refusals]);
  const spotlight = useMemo(() => ({ at, lit, wanted, order, edition }), [at, lit, wanted, order, edition]);

  if (query.isError)
    return (
      <p role="alert" className="p-8">
        {problemsOf(query.error)[0]?.sentence}
      </p>
    );
  if (!bench) return <p className="p-8 quiet">{say("unfoldingDraft")}</p>;
  return (
    <MarksContext value={marks}>
      <ActsContext value={acts}>
        <BenchContext value={bench}>
          <TroublesContext value={troubles}>
            <SpotlightContext value={spotlight}>
              <PricedContext value={priced}>
                <TypedContext value={typed}>{children}</TypedContext>
              </PricedContext>
            </SpotlightContext>
          </TroublesContext>
        </BenchContext>
      </ActsContext>
    </MarksContext>
  );
}
