import { answer, api } from "../../api/client";
import { useBench } from "../../desk/bench";
import { FileLook } from "../../shared/FileLook";
import { FilePicker } from "../../shared/FilePicker";
import { say } from "../../shared/say";
import { fileBody, useFileLook } from "../../shared/useFileLook";
import { StationChanges } from "./StationChanges";

/** The whole setup as a file: out as it stands, in after a look at what it changes. */
export function WholeSetup() {
  const { shop } = useBench();
  const {
    open,
    look: changes,
    shown,
  } = useFileLook(
    (file) => answer(api.POST("/api/shops/{shop}/draft/setup-file", { params: { path: { shop } }, ...fileBody(file) })),
    (file) => answer(api.PUT("/api/shops/{shop}/draft/setup-file", { params: { path: { shop } }, ...fileBody(file) })),
  );
  return (
    <>
      <span className="quiet">{say("wholeSetup")}</span>
      <a className="underline" href={`/api/shops/${shop}/draft/setup-file`} download>
        {say("file")}
      </a>
      <FilePicker text={say("fromFile")} label={say("setupFile")} accept=".json,application/json" take={open} />
      <FileLook
        {...shown}
        takes={changes && changes.length > 0 && shown.problems.length === 0 ? say("take") : undefined}
      >
        {changes && <StationChanges changes={changes} />}
      </FileLook>
    </>
  );
}
