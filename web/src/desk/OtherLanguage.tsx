import { chooseLanguage, deskLanguage, deskLanguages } from "../shared/say";

/** The other languages the desk is written in, each by its own name. */
export function OtherLanguage() {
  return deskLanguages
    .filter((language) => !deskLanguage().startsWith(language))
    .map((language) => (
      <button
        key={language}
        type="button"
        lang={language}
        className="btn btn-ghost btn-sm"
        onClick={() => chooseLanguage(language)}
      >
        {new Intl.DisplayNames([language], { type: "language" }).of(language)}
      </button>
    ));
}
