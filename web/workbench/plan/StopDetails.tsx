/** Where a slide leads to, and from where it is reached, in words. */
import { Box, chakra, Text } from "@chakra-ui/react";
import { CornerUpLeft, MoveRight } from "lucide-react";
import type { ReactNode } from "react";
import type { Way } from "../shell/useCheck";
import { goToSlide, useCourse } from "../store/store";
import { t } from "../../words/plan";
import type { Drawn } from "./route";

/** The ways of one slide; each leads to the slide at its other end. */
export function StopDetails({ slide, drawn }: { slide: string; drawn: Drawn }): ReactNode {
  const title = useCourse((state) => state.slides[slide]?.title ?? "");
  const number = drawn.numbers.get(slide) ?? 0;
  const from = drawn.from.get(slide) ?? [];
  const to = drawn.to.get(slide) ?? [];
  return (
    <Box
      as="section" aria-label={t("waysOfThisSlide")} bg="sheet" borderWidth="1px" borderRadius="card" p="3" fontSize="12.5px" lineHeight="1.4"
      overflowY="auto" minH="0" data-details={slide}
    >
      <Text fontWeight="700">{number} {title || t("untitled")}</Text>
      <Text color="quiet" mt="1">{from.length ? t("leadsTo") : t("leadsNowhere")}</Text>
      {from.map((way) => <Line key={way.target} way={way} other={way.target} drawn={drawn} back={(drawn.numbers.get(way.target) ?? 0) < number} />)}
      {(to.length > 0 || number > 1) && <Text color="quiet" mt="1.5">{to.length ? t("reachedFrom") : t("nothingLeadsHere")}</Text>}
      {to.map((way) => <Line key={way.source} way={way} other={way.source} drawn={drawn} back={false} />)}
    </Box>
  );
}

/** The other end of a way, with what must happen for it. */
function Line({ way, other, drawn, back }: { way: Way; other: string; drawn: Drawn; back: boolean }): ReactNode {
  const title = useCourse((state) => state.slides[other]?.title ?? "");
  const Arrow = back ? CornerUpLeft : MoveRight;
  return (
    <chakra.button
      type="button" display="flex" gap="1.5" w="100%" textAlign="left" py="1" borderRadius="4px" color={back ? "brick" : "ink"}
      _hover={{ bg: "spruce.soft" }} onClick={() => goToSlide(other)}
    >
      <Box as="span" flex="none" pt="2px"><Arrow size={13} aria-hidden /></Box>
      <Box as="span">
        <Box as="span" fontWeight="600">{drawn.numbers.get(other)} {title || t("untitled")}</Box>
        {way.why && <Box as="span" color="quiet"> {way.why}</Box>}
      </Box>
    </chakra.button>
  );
}
