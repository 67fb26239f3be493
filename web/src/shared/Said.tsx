import type { Problem } from "../api/client";

/** Problems told where they happened. */
export function Said({ problems, id }: { problems: Problem[]; id?: string }) {
  if (problems.length === 0) return null;
  return (
    <div role="alert" id={id} className="mt-1 text-error">
      {problems.map((problem) => (
        <p key={problem.path + problem.sentence}>
          <strong className="font-semibold">{problem.sentence}</strong> {problem.remedy}
        </p>
      ))}
    </div>
  );
}
