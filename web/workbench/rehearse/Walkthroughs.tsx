import { Box, Flex, Input, Text } from "@chakra-ui/react";
import { Play, Trash2 } from "lucide-react";
import { useState, type ReactNode } from "react";
import type { Walkthrough } from "../../api/types";
import type { Index } from "../../player/engine/program";
import type { Event } from "../../api/events";
import { freshId } from "../store/ids";
import { changeCourse, useCourse } from "../store/store";
import { Card } from "../../kit/Card";
import { QuietButton } from "../../kit/QuietButton";
import { Tool } from "../../kit/Tool";
import { useCheck } from "../shell/useCheck";
import { isWhole, recorded, type Moment } from "./moments";
import { t } from "../../words/rehearse";

interface Props {
  index: Index | null;
  moments: readonly Moment[];
  onPlay: (walk: Walkthrough) => void;
}

/** Walkthroughs: keep what was just played, play it again, see what has changed since. */
export function Walkthroughs({ index, moments, onPlay }: Props): ReactNode {
  const walks = useCourse((state) => state.course.walkthroughs);
  const draws = useCourse((state) => state.course.sections.some(({ quiz }) => quiz));
  const [name, setName] = useState("");
  const check = useCheck();
  const different = (check?.findings ?? []).filter(({ code }) => code === "walkthrough");
  function keep(): void {
    if (!index || !moments.length) return;
    const { events, expected } = recorded(index, moments);
    const seed = moments[0]?.state.seed ?? 1;
    const walk: Walkthrough = { id: freshId(), name: name.trim() || t("walkthroughWalks", { walks: walks.length + 1 }), seed, events, expected };
    changeCourse(t("keepWalkthrough"), { walkthroughs: [...walks, walk] });
    setName("");
  }
  return (
    <Card title={t("walkthroughs")}>
      {!walks.length && (
        <Text color="quiet" fontSize="13px">
          {t("playThroughTheCourseOnce")}
        </Text>
      )}
      {walks.map((walk) => {
        const gone = different.filter(({ message }) => message.startsWith(`Walkthrough “${walk.name}”`));
        return (
          <Box key={walk.id} py="1" data-walkthrough={walk.id}>
            <Flex align="center" gap="1">
              <Text flex="1" fontWeight="600" truncate>{walk.name}</Text>
              {draws && <Text fontSize="12.5px" color="quiet" whiteSpace="nowrap">{t("learnerNumber", { seed: walk.seed })}</Text>}
              <Text fontSize="12.5px" color={gone.length ? "brick" : "spruce"}>{gone.length ? t("goneDifferent", { gone: gone.length }) : t("asRecorded")}</Text>
              <Tool label={t("playName", { name: walk.name })} onClick={() => onPlay(walk)}><Play size={14} /></Tool>
              <Tool label={`Delete ${walk.name}`} onClick={() => changeCourse(t("deleteWalkthrough"), { walkthroughs: walks.filter(({ id }) => id !== walk.id) })}><Trash2 size={14} /></Tool>
            </Flex>
            {gone.map(({ message }) => <Text key={message} fontSize="12.5px">{message.split(": ").slice(1).join(": ")}</Text>)}
          </Box>
        );
      })}
      {moments.length > 0 && !isWhole(moments) && (
        <Text color="quiet" fontSize="12.5px" mt="2">{t("thisPathIsTooLong")}</Text>
      )}
      <Flex gap="2" mt="2">
        <Input size="xs" aria-label={t("nameOfTheWalkthrough")} placeholder={t("name")} value={name} onChange={(event) => setName(event.target.value)} />
        <QuietButton size="xs" flex="none" disabled={!isWhole(moments)} onClick={keep}>{t("keepThisPath")}</QuietButton>
      </Flex>
    </Card>
  );
}

/** The events of a walkthrough as the engine takes them. */
export const eventsOf = (walk: Walkthrough): Event[] => walk.events as unknown as Event[];
