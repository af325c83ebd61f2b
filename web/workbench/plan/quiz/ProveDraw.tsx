/** A proof on request: the quiz drawn for 10,000 learners, every limit looked at, chance tested. */
import { Box, Flex, Text } from "@chakra-ui/react";
import { ShieldCheck } from "lucide-react";
import type { ReactNode } from "react";
import type { Proof, Quiz } from "../../../api/types";
import { FoldCard } from "../../../kit/FoldCard";
import { QuietButton } from "../../../kit/QuietButton";
import { t } from "../../../words/quiz";
import { useProof } from "./useQuizNumbers";

/** The card with the button, and what came of it. */
export function ProveDraw({ section, quiz }: { section: string; quiz: Quiz }): ReactNode {
  const { proof, asked, ask, problem } = useProof(section);
  return (
    <FoldCard title={t("isTheDrawFair")} starts="closed">
      <Text fontSize="13px" color="quiet">{t("proveHelp")}</Text>
      {(!asked || problem) && (
        <Flex justify="end" pt="2"><QuietButton size="xs" onClick={ask}><ShieldCheck size={12} />{t("proveIt")}</QuietButton></Flex>
      )}
      {asked && !proof && !problem && <Text fontSize="13px" pt="2" role="status">{t("proving")}</Text>}
      {problem && <Text fontSize="13px" pt="2" color="brick" role="alert">{t("proofFailed", { reason: problem.message })}</Text>}
      {proof && <Found proof={proof} quiz={quiz} />}
    </FoldCard>
  );
}

function Found({ proof, quiz }: { proof: Proof; quiz: Quiz }): ReactNode {
  const names = new Map(quiz.sets.map(({ id, name }) => [id, name]));
  return (
    <Box pt="2" fontSize="13px" aria-live="polite" data-proof>
      <Text fontWeight="600" color={proof.violating ? "brick" : "spruce"}>
        {proof.violating ? t("limitsBroken", { count: proof.violating }) : t("limitsKept", { seeds: proof.seeds })}
      </Text>
      {proof.broken.map(({ seed, why }) => <Text key={seed} color="brick">{t("learnerBreaks", { seed, why })}</Text>)}
      <Text fontWeight="600" pt="2" color={proof.even ? "spruce" : "brick"}>{t(proof.even ? "asChanceGives" : "notAsChanceGives")}</Text>
      <Box as="ul" pt="1" display="grid" gap="1">
        {proof.tests.map(({ set, of, statistic, freedom, chance }) => (
          <Box as="li" key={`${set} ${of}`}>
            {t(of === "drawn" ? "testOfDrawn" : "testOfOrder", { set: names.get(set) ?? "" })}
            <Text as="span" display="block" color="quiet" fontSize="12.5px">
              {t("chiSquare", { statistic: statistic.toFixed(1), freedom, chance: Math.round(chance * 100) })}
            </Text>
          </Box>
        ))}
      </Box>
    </Box>
  );
}
