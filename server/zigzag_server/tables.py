"""The core's tables and defaults as TypeScript, beside the types that the API gives."""

import json
from dataclasses import asdict

from zigzag_core.program.shapes import shapes
from zigzag_core.program.tables import defaults, tables

from .event_types import event_types

HEAD = "/** Made by `make schema` from the core: change it there. */\n"
_SHAPE = """
/** The models in a field: one, under "", or one by the value of its field `by`. */
export interface Inner {
  readonly models: Readonly<Record<string, string>>;
  readonly by: string;
  /** Whether the field is an object whose values are such models. */
  readonly keyed: boolean;
}

/** The defaults of a model, and the models in its fields, both by field. */
export interface Shape {
  readonly defaults: Readonly<Record<string, unknown>>;
  readonly inner: Readonly<Record<string, Inner>>;
}
"""


def typescript() -> dict[str, str]:
    """Return the text of each file, by name."""
    return {"tables.ts": _tables(), "defaults.ts": _defaults(), "shapes.ts": _shapes(),
            "events.ts": HEAD + "\n" + event_types()}


def _tables() -> str:
    parts = [f"export const {name} = {_json(value)} as const;\n"
             for name, value in tables().items()]
    return HEAD + "\n" + "\n".join(parts)


def _defaults() -> str:
    """What each model has where nothing is said, typed as those fields of it."""
    lines = [
        HEAD, 'import type { components } from "./api";\n', "\n",
        'type Schemas = components["schemas"];\n', "\n",
        "/** What each model of the document has where nothing is said. */\n",
        "export const DEFAULTS = {\n",
    ]
    for name, fields in defaults().items():
        keys = " | ".join(f'"{field}"' for field in fields)
        lines.append(f"  {name}: {_json(fields)} as Pick<Schemas[{json.dumps(name)}], {keys}>,\n")
    lines.append("};\n")
    return "".join(lines)


def _shapes() -> str:
    """What the player fills in where a packaged program says nothing."""
    lines = [
        HEAD, _SHAPE, "\n/** The shape of each model in a program. */\n",
        "export const SHAPES: Readonly<Record<string, Shape>> = {\n",
    ]
    lines += [f"  {name}: {_json(asdict(shape))},\n" for name, shape in shapes().items()]
    lines.append("};\n")
    return "".join(lines)


def _json(value: object) -> str:
    return json.dumps(value, ensure_ascii=False)
