import { useState } from "react";
import { answer, api } from "../api/client";
import { useActs, useBench } from "../desk/bench";
import { NotationField } from "./NotationField";
import { point } from "./notation/delivery";
import { setupPath } from "./paths";
import { say } from "./say";
import { TextButton } from "./TextButton";

/** Finds where the shop's address lies and keeps it. */
export function useAddressPoint() {
  const { shop, setup } = useBench();
  const acts = useActs();
  const [reason, setReason] = useState("");
  const { country, postcode } = setup.shop.address;
  const find = async () => {
    const query = { country, ...(postcode ? { postcode } : {}) };
    const found = await answer(api.GET("/api/shops/{shop}/address-point", { params: { path: { shop }, query } })).catch(
      () => undefined,
    );
    setReason(found?.reason ?? "");
    if (found?.point) await acts.set(setupPath("shop", "point"), found.point);
    return Boolean(found?.point);
  };
  return { find, reason };
}

/** Where the shop stands, from which distances are measured: found from its address, or typed. */
export function PointField({ className = "" }: { className?: string }) {
  const { find, reason } = useAddressPoint();
  return (
    <div className={className}>
      <NotationField
        path={setupPath("shop", "point")}
        label={say("latitudeLongitude")}
        placeholder={say("unknown")}
        note={say("distancesAreMeasuredFromHere")}
        notation={point}
      />
      <p className="text-xs" role="status">
        <TextButton onClick={() => void find()}>{say("findFromAddress")}</TextButton>
        {reason && <span className="ms-2 text-warning">{reason}</span>}
      </p>
    </div>
  );
}
