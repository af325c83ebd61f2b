/** What was found in the course, by kind, each with the way to what it speaks of. */
import { Box, chakra, Flex, Stack, Text } from "@chakra-ui/react";
import { ChevronDown, ChevronRight, Flag, TriangleAlert } from "lucide-react";
import { useState, type ReactNode } from "react";
import type { Finding } from "../../api/types";
import { QuietButton } from "../../kit/QuietButton";
import { inCommon, t } from "../../words/findings";
import { takeOutLost } from "../store/slides";
import { useCourse } from "../store/store";
import { grouped, type Group } from "./findingGroups";
import { useCheck, useFindings, useTried } from "./useCheck";

type Show = (finding: Finding) => void;

/** All findings of the open course; `pause` is how long (ms) it has to rest before it is checked. */
export function Findings({ pause, onShow }: { pause?: number; onShow: Show }): ReactNode {
  const check = useCheck(pause);
  const tried = useTried(pause);
  const found = useFindings(check, tried);
  if (!check) return <Text color="quiet" fontSize="13px">{t("theCourseIsBeingChecked")}</Text>;
  return (
    <>
      <Counts found={found} />
      <Text color="quiet" fontSize="13px" mb={found.length ? 2 : 0}>{tried?.statement ?? t("theCourseIsBeingTried")}</Text>
      <Stack as="ul" gap="1.5" listStyleType="none">
        {grouped(found).map((group) => <Kind key={`${group.level} ${group.code}`} group={group} onShow={onShow} />)}
      </Stack>
    </>
  );
}

/** How many errors and warnings there are. */
function Counts({ found }: { found: readonly Finding[] }): ReactNode {
  const errors = found.filter(({ level }) => level === "error").length;
  const words = [
    errors ? t("errors", { count: errors }) : "", found.length > errors ? t("warnings", { count: found.length - errors }) : "",
  ].filter(Boolean);
  return <Text fontWeight="600" fontSize="13px">{words.length ? words.join(" · ") : t("nothingWasFound")}</Text>;
}

/** One finding; or several of a kind, which are listed once they are asked for. */
function Kind({ group, onShow }: { group: Group; onShow: Show }): ReactNode {
  const [open, setOpen] = useState(false);
  const { findings, level, code } = group;
  const [first] = findings;
  if (!first) return null;
  return (
    <Flex as="li" gap="2" align="flex-start">
      <Box color={level === "error" ? "brick" : "marigold.ink"} pt="3px" flex="none">
        {level === "error" ? <Flag size={15} aria-label={t("error")} /> : <TriangleAlert size={15} aria-label={t("warning")} />}
      </Box>
      {findings.length === 1 ? <One finding={first} onShow={onShow} /> : (
        <Box flex="1" minW="0">
          <chakra.button type="button" display="flex" gap="1" textAlign="left" aria-expanded={open} onClick={() => setOpen(!open)}>
            <Box as="span" pt="4px" flex="none">{open ? <ChevronDown size={14} aria-hidden /> : <ChevronRight size={14} aria-hidden />}</Box>
            <Text as="span">{inCommon(code, findings.length) ?? t("more", { count: findings.length, message: first.message })}</Text>
          </chakra.button>
          {open && (
            <Stack as="ul" gap="1.5" mt="1" pl="4" listStyleType="none">
              {findings.map((finding, index) => <li key={index}><One finding={finding} onShow={onShow} /></li>)}
            </Stack>
          )}
          {code === "lost_reference" && <TakeOut />}
        </Box>
      )}
    </Flex>
  );
}

function One({ finding, onShow }: { finding: Finding; onShow: Show }): ReactNode {
  const title = useCourse((state) => state.slides[finding.slide ?? ""]?.title);
  return (
    <Box minW="0">
      <Text>{finding.message}</Text>
      {title !== undefined && (
        <chakra.button type="button" color="spruce" fontSize="13px" textDecoration="underline" textAlign="left" onClick={() => onShow(finding)}>
          {t("showItOnTitle", { title })}
        </chakra.button>
      )}
      {finding.code === "lost_reference" && <TakeOut />}
    </Box>
  );
}

function TakeOut(): ReactNode {
  return <Box mt="1.5"><QuietButton size="2xs" px="2" onClick={() => void takeOutLost()}>{t("removeAllReferences")}</QuietButton></Box>;
}
