import { useState } from "react";
import { type Problem, problemsOf, type Setup } from "../../api/client";
import { uploaded } from "../../api/upload";
import { useActs, useBench } from "../../desk/bench";
import { Field } from "../../shared/Field";
import { FilePicker } from "../../shared/FilePicker";
import { type SetupPath, under } from "../../shared/paths";
import { Said } from "../../shared/Said";
import { say } from "../../shared/say";
import { TextButton } from "../../shared/TextButton";

type Product = Setup["goods"]["products"][number];

/** What a buyer sees of a product in the list of goods: a sentence and a picture; and whether it can be had. */
export function Shown({ product, at }: { product: Product; at: SetupPath<Product> }) {
  const { shop } = useBench();
  const acts = useActs();
  const [problems, setProblems] = useState<Problem[]>([]);
  const shown = under(at)("shown");
  const selling = under(at)("selling");
  const picture = product.shown?.picture;
  const put = async (file: File) => {
    setProblems([]);
    await uploaded<{ name: string }>(`/api/shops/${shop}/pictures`, file, () => {}, say("pictureCutOff")).then(
      ({ name }) => acts.set(shown, { ...product.shown, picture: name }),
      (reason: unknown) => setProblems(Array.isArray(reason) ? (reason as Problem[]) : problemsOf(reason)),
    );
  };
  const { picture: _, ...plain } = product.shown ?? {};
  return (
    <section aria-label={say("buyerSees")} className="mt-3 grid gap-x-4 md:grid-cols-[8rem_1fr]">
      <h3 className="text-sm">{say("buyerSees")}</h3>
      <div>
        <div className="grid grid-cols-2 items-end gap-x-6 gap-y-2 md:grid-cols-[3fr_1.4fr_1fr]">
          <Field
            path={shown}
            at={under(shown)("sentence")}
            label={say("sentenceField")}
            placeholder="–"
            write={(value) => (value as Product["shown"])?.sentence ?? ""}
            read={(text) =>
              text.trim() || picture
                ? { ...product.shown, ...(text.trim() ? { sentence: text.trim() } : { sentence: undefined }) }
                : undefined
            }
          />
          <Field
            path={selling}
            at={under(selling)("state")}
            label={say("sellingField")}
            choices={[
              { id: "on-sale", name: say("onSale") },
              { id: "hidden", name: say("hiddenFromList") },
              { id: "sold-out", name: say("saidSoldOut") },
            ]}
            write={(value) => (value as Product["selling"])?.state ?? "on-sale"}
            read={(state) =>
              state === "on-sale" && !product.selling?.from ? undefined : { ...product.selling, state }
            }
          />
          <Field
            path={selling}
            at={under(selling)("from")}
            label={say("soldFrom")}
            placeholder="–"
            write={(value) => (value as Product["selling"])?.from ?? ""}
            read={(text) =>
              text.trim()
                ? { state: product.selling?.state ?? "on-sale", from: text.trim() }
                : product.selling && product.selling.state !== "on-sale"
                  ? { state: product.selling.state }
                  : undefined
            }
          />
        </div>
        <p className="mt-2 flex items-center gap-4 text-xs">
          {picture && (
            <img
              src={`/api/counter/${shop}/pictures/${picture}`}
              alt={say("pictureOf", { name: product.name })}
              width={64}
              height={64}
              className="size-16 bg-base-200 object-contain"
            />
          )}
          <span className="quiet">{say("pictureField")}</span>
          <FilePicker
            text={picture ? say("anotherPicture") : say("putPictureIn")}
            label={say("pictureOf", { name: product.name })}
            accept="image/jpeg,image/png,image/gif,image/webp"
            take={(file) => void put(file)}
          />
          {picture && (
            <TextButton onClick={() => void acts.set(shown, plain.sentence ? plain : undefined)}>
              {say("takePictureOut")}
            </TextButton>
          )}
        </p>
        <Said problems={problems} />
      </div>
    </section>
  );
}
