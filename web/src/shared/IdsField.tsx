import { useMemo } from "react";
import { useBench } from "../desk/bench";
import { ChipsField } from "./ChipsField";
import type { SetupPath } from "./paths";

interface Props {
  path: SetupPath;
  label: string;
  /** What can be picked, by what the seller calls it. */
  things: readonly { id: string; name: string }[];
  /** What holds while nothing is picked. */
  empty: string;
}

/** Some of the seller's own things, as chips of their names. */
export function IdsField({ path, label, things, empty }: Props) {
  const names = useMemo(() => things.map(({ id, name }) => ({ id, name, also: [] })), [things]);
  const nameOf = (id: string) => things.find((each) => each.id === id)?.name ?? id;
  return <ChipsField path={path} label={label} names={names} nameOf={nameOf} empty={empty} />;
}

/** Kinds of goods a rule can be about: as they are taxed, in a group, or handled. */
export function useGoodsKinds() {
  const { tax, goods, delivery } = useBench().setup;
  return useMemo(() => [...tax.categories, ...goods.groups, ...delivery.handling], [tax, goods, delivery]);
}
