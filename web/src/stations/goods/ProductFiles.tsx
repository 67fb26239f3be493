import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api, type Problem, type ProductFile, problemsOf, type Setup } from "../../api/client";
import { upload } from "../../api/upload";
import { useBench } from "../../desk/bench";
import { Field } from "../../shared/Field";
import { FilePicker } from "../../shared/FilePicker";
import { whole } from "../../shared/notation/plain";
import { setupPath, under } from "../../shared/paths";
import { Said } from "../../shared/Said";
import { Settables, settable } from "../../shared/Settables";
import { deskLocale, say } from "../../shared/say";
import { sizeOf } from "../../shared/sizes";
import { TextButton } from "../../shared/TextButton";

type Product = Setup["goods"]["products"][number];

/** The files of a digital product, which hold at once; or a link in their place. */
export function ProductFiles({ product }: { product: Product }) {
  const { shop } = useBench();
  const client = useQueryClient();
  const [problems, setProblems] = useState<Problem[]>([]);
  const [percent, setPercent] = useState<number>();
  const at = under(setupPath("goods", "products", product.id))("download");
  const path = { params: { path: { shop, product: product.id } } };
  const key = ["files", shop, product.id];
  const files = useQuery({ queryKey: key, queryFn: () => answer(api.GET("/api/shops/{shop}/files/{product}", path)) });
  const fresh = (after: ProductFile[]) => {
    client.setQueryData(key, after);
    setProblems([]);
    void client.invalidateQueries({ queryKey: ["draft", shop] });
  };
  const add = async (file: File, replaces?: number) => {
    setPercent(0);
    const query = new URLSearchParams({ name: file.name, ...(replaces ? { replaces: String(replaces) } : {}) });
    await upload(`/api/shops/${shop}/files/${product.id}?${query}`, file, setPercent, say("fileCutOff")).then(
      fresh,
      setProblems,
    );
    setPercent(undefined);
  };
  const remove = (id: number) =>
    answer(
      api.DELETE("/api/shops/{shop}/files/{product}/{id}", { params: { path: { shop, product: product.id, id } } }),
    ).then(fresh, (reason: unknown) => setProblems(problemsOf(reason)));
  const rows = files.data ?? [];
  return (
    <div className="mt-3 grid gap-x-4 md:grid-cols-[8rem_1fr]">
      <h3 className="text-sm">{say("filesOfProduct")}</h3>
      <div>
        {rows.map((file) => (
          <p key={file.id} className="flex flex-wrap gap-x-4 border-b border-base-300 py-1">
            <span className="grow">
              {file.name} <span className="quiet">{sizeOf(file.bytes, deskLocale())}</span>
            </span>
            <FilePicker
              text={say("replaceFile")}
              label={`${say("replaceFile")} ${file.name}`}
              accept=""
              take={(picked) => void add(picked, file.id)}
            />
            <TextButton onClick={() => void remove(file.id)}>
              {say("removeFile")}
              <span className="sr-only"> {file.name}</span>
            </TextButton>
          </p>
        ))}
        {rows.length === 0 && !product.download?.link && <p className="quiet">{say("noFileYet")}</p>}
        {percent !== undefined ? (
          <p role="status">
            <progress className="progress w-40" max={100} value={percent} /> {say("filePercent", { percent })}
          </p>
        ) : (
          <FilePicker text={say("addFile")} label={say("addFile")} accept="" take={(picked) => void add(picked)} />
        )}
        <Said problems={problems} />
        <Settables
          className="mt-2 grid grid-cols-2 content-start gap-x-6 gap-y-2 md:grid-cols-3"
          items={[
            settable(under(at)("link"), say("linkInstead"), (path, label) => (
              <Field path={path} label={label} placeholder={say("none")} optional />
            )),
            settable(under(at)("most"), say("timesToFetch"), (path, label) => (
              <Field path={path} label={label} placeholder="5" {...whole} />
            )),
            settable(under(at)("days"), say("daysToFetch"), (path, label) => (
              <Field path={path} label={label} placeholder="30" {...whole} />
            )),
          ]}
        />
      </div>
    </div>
  );
}
