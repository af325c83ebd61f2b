/** Does: what happens on a click, as a sentence whose coloured words are choices. */
import { Box, chakra, Text } from "@chakra-ui/react";
import { Plus, X } from "lucide-react";
import type { ReactNode } from "react";
import type { Destination, Element, Rule } from "../../api/types";
import { freshId } from "../store/ids";
import { changeElements, useCourse } from "../store/store";
import { FoldCard, QuietButton, Tool } from "../ui/parts";

export function Does({ element, submits }: { element: Element; submits: string | null }): ReactNode {
  function change(label: string, rules: Rule[]): void {
    changeElements(label, [element.id], (e) => ({ ...e, rules }) as Element);
  }
  const add = (): void => change("Add sentence", [...element.rules, newRule()]);
  return (
    <FoldCard title="Does">
      {submits && (
        <Text mb="2">
          When <Word>{element.name}</Word> is <Word>clicked</Word>, submit <Word>{submits}</Word>.
        </Text>
      )}
      {element.rules.map((rule, place) => (
        <Sentence
          key={rule.id} element={element} rule={rule}
          onChange={(next) => change("Change sentence", element.rules.map((r, n) => (n === place ? next : r)))}
          onRemove={() => change("Remove sentence", element.rules.filter((_, n) => n !== place))}
        />
      ))}
      {!element.rules.length && !submits && (
        <Text color="quiet" fontSize="13px" mb="2">Nothing happens when it is clicked.</Text>
      )}
      {!element.rules.length && (
        <QuietButton size="xs" onClick={add}><Plus size={14} /> When it is clicked …</QuietButton>
      )}
    </FoldCard>
  );
}

function Sentence(
  { element, rule, onChange, onRemove }: {
    element: Element; rule: Rule; onChange: (rule: Rule) => void; onRemove: () => void;
  },
): ReactNode {
  const slides = useCourse((state) => state.slides);
  const order = useCourse((state) => state.course.slides);
  const go = (rule.do[0]?.go ?? { to: "next" }) as Destination;
  const value = go.to === "slide" ? go.slide : go.to;

  function choose(key: string): void {
    const next: Destination = key === "next" || key === "previous" || key === "leave"
      ? { to: key } : { to: "slide", slide: key };
    onChange({ ...rule, do: [{ action: "go", go: next }] });
  }

  const lost = go.to === "slide" && !order.includes(go.slide);
  return (
    <Box py="1" lineHeight="2.1" position="relative" pr="7">
      When <Word>{element.name}</Word> is <Word>clicked</Word>,{" "}
      <chakra.select
        value={value} aria-label="Where to go" onChange={(event) => choose(event.target.value)}
        bg="sky.soft" color="sky.ink" fontWeight="600" borderRadius="6px" px="1.5" py="0.5" maxW="100%"
        css={{ fieldSizing: "content" }}
      >
        <option value="next">go to the next slide</option>
        <option value="previous">go to the previous slide</option>
        <option value="leave">leave the course</option>
        <optgroup label="go to a certain slide">
          {order.map((id, place) => (
            <option key={id} value={id}>go to {place + 1} {slides[id]?.title ?? ""}</option>
          ))}
          {lost && <option value={value}>a slide that no longer exists</option>}
        </optgroup>
      </chakra.select>
      {lost && <Text color="brick" fontSize="12.5px">Choose another slide: this one was deleted.</Text>}
      <Box position="absolute" right="-6px" top="2px">
        <Tool label="Remove this sentence" onClick={onRemove}><X size={15} /></Tool>
      </Box>
    </Box>
  );
}

function Word({ children }: { children: ReactNode }): ReactNode {
  return (
    <Box as="span" bg="marigold.soft" color="marigold.ink" fontWeight="600" px="1.5" py="0.5" borderRadius="6px">
      {children}
    </Box>
  );
}

function newRule(): Rule {
  return { id: freshId(), when: { event: "clicked" }, do: [{ action: "go", go: { to: "next" } }] };
}
