/** The words of the interface: one catalogue per area, in `en/`, ready to be translated. */
import i18next from "i18next";

void i18next.init({
  lng: "en", fallbackLng: "en", initAsync: false,
  // Words are put into React's nodes and attributes, which escape them.
  interpolation: { escapeValue: false },
});

type Key<Catalogue> = keyof Catalogue extends infer K ? K extends `${infer Base}_one` ? Base : K extends `${string}_other` ? never : K : never;
type Values = Readonly<Record<string, string | number | null | undefined>>;

/**
 * Add the English words of `name`; return what gives a text by its key, with `values` filled in.
 * A text in another language is taken where i18next has a bundle of that language and name.
 */
export function area<const Catalogue extends Record<string, string>>(
  name: string, english: Catalogue,
): (key: Key<Catalogue>, values?: Values) => string {
  i18next.addResourceBundle("en", name, english);
  const translate = i18next.getFixedT(null, name);
  // Most texts have no values: looking them up anew on each draw would cost more than drawing them.
  const fixed = new Map<string, string>();
  return (key, values) => {
    if (values) return translate(key as string, values);
    let text = fixed.get(key as string);
    if (text === undefined) fixed.set(key as string, text = translate(key as string));
    return text;
  };
}
