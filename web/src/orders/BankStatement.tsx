import { useQueryClient } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { Link } from "react-router";
import { answer, api, type Problem, problemsOf, type StatementLine } from "../api/client";
import { useBench } from "../desk/bench";
import { FilePicker } from "../shared/FilePicker";
import { money } from "../shared/money";
import { Said } from "../shared/Said";
import { readIn, say } from "../shared/say";

const said: Record<string, string> = {
  exact: "paid",
  under: say("tooLittleOrderWaitsFor"),
  over: say("tooMuchGiveSurplusBack"),
  double: say("paidAlreadyGiveBack"),
  unmatched: say("noOrderHasThisReference"),
};

/** Reads a statement of the bank in and says what became of each transfer on it. */
export function BankStatement() {
  const { shop, setup } = useBench();
  const client = useQueryClient();
  const dialog = useRef<HTMLDialogElement>(null);
  const [lines, setLines] = useState<StatementLine[]>();
  const [known, setKnown] = useState(0);
  const [problems, setProblems] = useState<Problem[]>([]);
  const read = async (file: File) => {
    const text = await file.text();
    setLines(undefined);
    setProblems([]);
    dialog.current?.showModal();
    const call = {
      params: { path: { shop } },
      body: text,
      bodySerializer: (body: string) => body,
      headers: { "Content-Type": text.trimStart().startsWith("<") ? "application/xml" : "text/csv" },
    };
    await answer(api.POST("/api/shops/{shop}/statements", call)).then(
      (taken) => {
        setLines(taken.lines);
        setKnown(taken.known);
        void client.invalidateQueries({ queryKey: ["orders", shop] });
      },
      (reason: unknown) => setProblems(problemsOf(reason)),
    );
  };
  return (
    <>
      <FilePicker
        text={say("readBankStatement")}
        label={say("bankStatement")}
        accept=".xml,.csv,text/csv,application/xml"
        take={(file) => void read(file)}
      />
      <dialog ref={dialog} className="modal" aria-labelledby="statement">
        <div className="modal-box max-w-3xl text-start">
          <h2 id="statement" className="text-xl">
            {say("bankStatement")}
          </h2>
          <Said problems={problems} />
          {lines && <p className="mt-2">{say("newKnownFromBefore", { count: lines.length, known })}</p>}
          {lines && lines.length > 0 && (
            <table className="mt-2 w-full">
              <tbody>
                {lines.map((line) => (
                  <tr key={line.entry} className="border-t border-base-300 align-top">
                    <td className="figure py-1 pe-4">
                      {money(line.amount, line.currency, readIn(setup.shop.language))}
                    </td>
                    <td className="py-1 pe-4">
                      {line.payer}
                      <span className="block text-xs quiet">{line.told}</span>
                    </td>
                    <td className="py-1 pe-4">
                      {line.order && (
                        <Link className="font-mono underline" to={String(line.order)}>
                          {line.order}
                        </Link>
                      )}
                    </td>
                    <td className={`py-1 ${line.state === "exact" ? "" : "text-warning"}`}>
                      {said[line.state]}
                      {Number(line.surplus) > 0 &&
                        `, ${money(line.surplus, line.currency, readIn(setup.shop.language))}`}
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
          )}
          <form method="dialog" className="modal-action">
            <button type="submit" className="btn">
              {say("close")}
            </button>
          </form>
        </div>
      </dialog>
    </>
  );
}
