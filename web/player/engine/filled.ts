/** Gives back to a packaged program what was left out of it, since it is as by default. */
import { SHAPES, type Inner } from "../../api/shapes";
import type { Program } from "../../api/types";

type Fields = Record<string, unknown>;

/** The whole program for what `model_dump_json(exclude_defaults=True)` wrote of it. */
export function filled(program: object): Program {
  return filledModel(program as Fields, "Program") as unknown as Program;
}

function filledModel(fields: Fields, name: string): Fields {
  const shape = SHAPES[name];
  if (!shape) throw new Error(`There is no model ${name}.`);
  const whole: Fields = { ...shape.defaults, ...fields };
  for (const field in shape.inner) {
    if (Object.hasOwn(fields, field)) whole[field] = filledField(fields[field], shape.inner[field] as Inner);
  }
  return whole;
}

function filledField(value: unknown, inner: Inner): unknown {
  if (Array.isArray(value)) return value.map((item) => filledField(item, inner));
  if (typeof value !== "object" || value === null) return value;
  const fields = value as Fields;
  if (inner.keyed) {
    const one = { ...inner, keyed: false };
    return Object.fromEntries(Object.entries(fields).map(([key, item]) => [key, filledField(item, one)]));
  }
  const tag = inner.by ? fields[inner.by] : "";
  return filledModel(fields, inner.models[tag as string] ?? "");
}
