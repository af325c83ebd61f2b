import { Box, Flex, Text } from "@chakra-ui/react";
import { ChevronLeft, ChevronRight } from "lucide-react";
import { useEffect, useRef, type ReactNode } from "react";
import type { Index } from "../../player/engine/program";
import { Tool } from "../../kit/Tool";
import { eventWords, type Moment } from "./moments";
import { t } from "../../words/rehearse";

interface Props {
  moments: readonly Moment[];
  at: number;
  name: (id: string) => string;
  index: Index | null;
  onGo: (moment: number) => void;
}

/** The line of all that happened: step to any moment, and the slide follows. */
export function EventLine({ moments, at, name, index, onGo }: Props): ReactNode {
  const line = useRef<HTMLDivElement>(null);
  useEffect(() => {
    line.current?.querySelector("[aria-current]")?.scrollIntoView({ block: "nearest", inline: "nearest" });
  }, [at, moments.length]);
  return (
    <Flex align="center" gap="1" bg="sheet" borderRadius="card" px="1" py="1" role="group" aria-label={t("stepsSoFar")}>
      <Tool label={t("oneStepBack")} disabled={at <= 0} onClick={() => onGo(at - 1)}><ChevronLeft size={16} /></Tool>
      <Flex ref={line} gap="1" overflowX="auto" flex="1" minW="0" py="0.5" data-moments tabIndex={0} aria-label={t("stepsNewestLast")}>
        {moments.map((moment, position) => (
          <Box
            as="button" key={position} flex="none" px="2.5" py="1" borderRadius="full" borderWidth="1px" fontSize="12.5px"
            bg={position === at ? "marigold.soft" : "paper"} color={position > at ? "quiet" : undefined}
            aria-current={position === at ? "step" : undefined} onClick={() => onGo(position)}
          >
            {index && eventWords(moment.event, name, index)}
            {moment.log.length > 0 && <Text as="span" color="quiet"> · {t("rules", { count: moment.log.filter(({ held }) => held).length })}</Text>}
          </Box>
        ))}
        {!moments.length && <Text color="quiet" fontSize="13px" px="2">{t("eachStepIsListedHere")}</Text>}
      </Flex>
      <Tool label={t("oneStepForward")} disabled={at >= moments.length - 1} onClick={() => onGo(at + 1)}><ChevronRight size={16} /></Tool>
    </Flex>
  );
}
