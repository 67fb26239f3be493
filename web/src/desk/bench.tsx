import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { createContext, type ReactNode, useCallback, useContext, useEffect, useMemo, useState } from "react";
import { useNavigate } from "react-router";
import {
  answer,
  api,
  type DraftView,
  type Edit,
  type FirstAnswers,
  type Problem,
  problemsOf,
  type QuoteView,
  type Setup,
} from "../api/client";
import { editOf } from "../shared/paths";
import { say } from "../shared/say";

/** What every station and the ticket share: the draft, the change being typed, and what is lit. */
export interface Bench {
  shop: string;
  draft: DraftView;
  setup: Setup;
  /** Edits being typed, not made yet; the ticket prices with them. */
  trying: Edit[];
  try: (path: string, now: unknown) => void;
  stopTrying: () => void;
  /** Makes an edit; false when it was refused, with the reason in `problems`. */
  commit: (edits: Edit[]) => Promise<boolean>;
  set: (path: string, now: unknown) => Promise<boolean>;
  /** Makes those edits of a block that can be made; false when some were left, with the reasons in `problems`. */
  paste: (edits: Edit[]) => Promise<boolean>;
  /** Reads the draft anew, after something else has changed it. */
  refresh: () => void;
  begin: (answers: FirstAnswers) => Promise<boolean>;
  fillTax: () => Promise<boolean>;
  undo: () => void;
  redo: () => void;
  publish: () => Promise<boolean>;
  /** Why the last change, tried or made, was refused. */
  problems: Problem[];
  /** Why what was typed into a field could not be kept, by the field's path, until it is put right or taken back. */
  refusals: Readonly<Record<string, Problem[]>>;
  /** Takes back what a field was refused. */
  takeBack: (path: string) => void;
  refuse: (problems: Problem[]) => void;
  /** Cells being typed, read back. */
  readings: Record<string, { text: string; words: string[] }>;
  setReadings: (readings: Record<string, { text: string; words: string[] }>) => void;
  /** The field under the cursor on the station; ticket rows it makes are lit. */
  at: string;
  setAt: (path: string) => void;
  /** Rules of the focused ticket row; the cells that made it are lit. */
  lit: ReadonlySet<string>;
  setLit: (paths: ReadonlySet<string>) => void;
  /** The ticket as it was last priced. */
  priced: QuoteView | undefined;
  setPriced: (quote: QuoteView | undefined) => void;
  /** A field somebody asked to be taken to. */
  wanted: string;
  goTo: (path: string) => void;
  arrived: () => void;
}

const Context = createContext<Bench | null>(null);
const NOTHING: ReadonlySet<string> = new Set();
const NONE: Problem[] = [];

export function useBench(): Bench {
  const bench = useContext(Context);
  if (!bench) throw new Error("outside of the bench");
  return bench;
}

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
  const [problems, setProblems] = useState<Problem[]>(NONE);
  // Nothing wrong, as before, is no reason to draw the desk again.
  const refuse = useCallback(
    (next: Problem[]) => setProblems((now) => (next.length === 0 && now.length === 0 ? now : next)),
    [],
  );
  const [refusals, setRefusals] = useState<Record<string, Problem[]>>({});
  const takeBack = useCallback((target: string) => setRefusals(({ [target]: _, ...rest }) => rest), []);
  const [readings, setReadings] = useState<Bench["readings"]>({});
  const [at, setAt] = useState("");
  const [lit, setLit] = useState<ReadonlySet<string>>(NOTHING);
  const [priced, setPriced] = useState<QuoteView>();
  const [wanted, setWanted] = useState("");
  const key = useMemo(() => ["draft", shop], [shop]);
  const path = useMemo(() => ({ params: { path: { shop } } }), [shop]);
  const query = useQuery({ queryKey: key, queryFn: () => answer(api.GET("/api/shops/{shop}/draft", path)) });
  const draft = query.data;

  const change = useMutation({
    mutationFn: (call: () => Promise<DraftView>) => call(),
    onSuccess: (fresh) => {
      client.setQueryData(key, fresh);
      setTrying([]);
      refuse([]);
    },
    onError: (reason) => {
      refuse(problemsOf(reason));
      void client.invalidateQueries({ queryKey: key });
    },
  });
  const run = change.mutateAsync;
  const made = useCallback(
    (call: () => Promise<DraftView>, target?: string) =>
      run(call).then(
        () => {
          if (target) takeBack(target);
          return true;
        },
        (reason: unknown) => {
          if (target) setRefusals((now) => ({ ...now, [target]: problemsOf(reason) }));
          return false;
        },
      ),
    [run, takeBack],
  );
  const commit = useCallback(
    (edits: Edit[]) =>
      made(() => answer(api.POST("/api/shops/{shop}/draft/edits", { ...path, body: { edits } })), edits[0]?.path),
    [made, path],
  );
  const goTo = useCallback(
    (target: string) => {
      setWanted(target);
      // Discounts lie with the goods.
      const station = target.split("/")[0]?.replace("discounts", "goods");
      if (station) void navigate(`/desk/${shop}/${station}`);
    },
    [navigate, shop],
  );

  // A rule may be less than a field, or lie in one: then the nearest field there is takes the cursor.
  useEffect(() => {
    if (!wanted) return;
    const timer = setTimeout(() => {
      nearest(wanted)?.focus();
      setWanted("");
    }, 600);
    return () => clearTimeout(timer);
  }, [wanted]);

  const bench = useMemo<Bench | null>(() => {
    if (!draft) return null;
    return {
      shop,
      draft,
      setup: draft.document as Setup,
      trying,
      try: (target, now) => setTrying([editOf(draft.document, target, now)]),
      stopTrying: () => {
        setTrying([]);
        refuse([]);
      },
      commit,
      set: (target, now) => commit([editOf(draft.document, target, now)]),
      paste: async (edits) => {
        const pasted = await answer(api.POST("/api/shops/{shop}/draft/paste", { ...path, body: { edits } })).catch(
          (reason: unknown) => {
            refuse(problemsOf(reason));
            return null;
          },
        );
        if (!pasted) return false;
        client.setQueryData(key, pasted.draft);
        setTrying([]);
        refuse(pasted.left);
        return pasted.left.length === 0;
      },
      refresh: () => void client.invalidateQueries({ queryKey: key }),
      begin: (answers) => made(() => answer(api.POST("/api/shops/{shop}/draft/begin", { ...path, body: answers }))),
      fillTax: () => made(() => answer(api.POST("/api/shops/{shop}/draft/tax/fill", path))),
      undo: () => void made(() => answer(api.POST("/api/shops/{shop}/draft/undo", path))),
      redo: () => void made(() => answer(api.POST("/api/shops/{shop}/draft/redo", path))),
      publish: () => made(() => answer(api.POST("/api/shops/{shop}/draft/publish", path))),
      problems,
      refuse,
      refusals,
      takeBack,
      readings,
      setReadings,
      at,
      setAt,
      lit,
      setLit,
      priced,
      setPriced,
      wanted,
      goTo,
      arrived: () => setWanted(""),
    };
  }, [
    shop,
    draft,
    trying,
    commit,
    made,
    client,
    key,
    path,
    problems,
    refuse,
    refusals,
    takeBack,
    readings,
    at,
    lit,
    priced,
    wanted,
    goTo,
  ]);

  if (query.isError)
    return (
      <p role="alert" className="p-8">
        {problemsOf(query.error)[0]?.sentence}
      </p>
    );
  if (!bench) return <p className="p-8 quiet">{say("unfoldingDraft")}</p>;
  return <Context value={bench}>{children}</Context>;
}
