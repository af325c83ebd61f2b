/** How the editor of a script looks. */
import { EditorView } from "@codemirror/view";
import { system } from "../../../kit/chakraTheme";

const colour = (name: string): string => system.token.var(`colors.${name}`);

export const look = EditorView.theme({
  "&": { height: "100%", fontSize: "14.5px", backgroundColor: "transparent", color: colour("ink") },
  "&.cm-focused": { outline: "none" },
  ".cm-scroller": { fontFamily: "var(--chakra-fonts-body)", lineHeight: "1.65", padding: "8px 4px" },
  ".cm-content": { caretColor: colour("ink") },
  ".cm-line": { padding: "0 10px" },
  ".cm-activeLine": { backgroundColor: colour("marigold.soft") },
  ".cm-cursor": { borderLeftColor: colour("ink"), borderLeftWidth: "2px" },
  "&.cm-focused > .cm-scroller > .cm-selectionLayer .cm-selectionBackground, .cm-selectionBackground": { backgroundColor: `color-mix(in srgb, ${colour("sky")} 34%, transparent)` },
  ".zz-turn": { fontWeight: "700", color: colour("marigold.ink") },
  ".zz-direction": { fontStyle: "italic", color: colour("quiet") },
  ".zz-reply-line": { color: colour("sky.ink") },
  ".zz-speaker": { fontWeight: "700", color: colour("spruce") },
  ".zz-quiet": { color: colour("quiet"), fontWeight: "400" },
  ".cm-tooltip": { backgroundColor: colour("sheet"), color: colour("ink"), border: `1px solid ${colour("edge")}`, borderRadius: "8px", boxShadow: "0 4px 18px rgb(34 48 43 / 18%)", overflow: "hidden" },
  ".cm-tooltip.cm-tooltip-autocomplete > ul": { fontFamily: "var(--chakra-fonts-body)", fontSize: "13.5px" },
  ".cm-tooltip.cm-tooltip-autocomplete > ul > li": { padding: "4px 12px" },
  ".cm-tooltip.cm-tooltip-autocomplete > ul > li[aria-selected]": { backgroundColor: colour("spruce.soft"), color: colour("ink") },
  ".cm-completionDetail": { color: colour("quiet"), fontStyle: "normal", marginInlineStart: "10px" },
  ".cm-diagnostic": { padding: "6px 12px", borderLeft: "none" },
  ".cm-diagnosticAction": { backgroundColor: colour("spruce.soft"), color: colour("ink"), borderRadius: "6px", padding: "3px 10px", marginInlineStart: "8px", cursor: "pointer" },
  ".cm-lintRange-error": { backgroundImage: "none", textDecoration: `underline wavy ${colour("brick")}`, textUnderlineOffset: "4px" },
  ".cm-lintRange-warning": { backgroundImage: "none", textDecoration: `underline wavy ${colour("marigold.ink")}`, textUnderlineOffset: "4px" },
});
