import { Box, Flex, Heading } from "@chakra-ui/react";
import { X } from "lucide-react";
import type { ReactNode } from "react";
import { QuietButton } from "../../kit/QuietButton";
import { Tool } from "../../kit/Tool";
import type { Reason } from "./why";
import { t } from "../../words/rehearse";

interface Props {
  of: string;
  reasons: readonly Reason[];
  onShow: (reason: Reason) => void;
  onClose: () => void;
}

/** The answer to *Why?*: what made it so, and how to change it. */
export function WhyCard({ of, reasons, onShow, onClose }: Props): ReactNode {
  return (
    <Box as="section" aria-label={t("why2")} borderWidth="1px" borderColor="sky" borderRadius="card" bg="sky.soft" p="3" m="3" mb="0" role="status">
      <Flex justify="space-between" align="flex-start" gap="2">
        <Heading as="h2" fontSize="15px" fontFamily="body">{t("whyOf", { of })}</Heading>
        <Tool label={t("closeTheAnswer")} onClick={onClose}><X size={15} /></Tool>
      </Flex>
      <Box as="ul" listStyleType="none">
        {reasons.map((reason, index) => (
          <Box as="li" key={index} py="1" borderTopWidth={index ? "1px" : 0}>
            {reason.words}
            {(reason.element || reason.slide) && (
              <QuietButton size="2xs" ml="2" onClick={() => onShow(reason)}>{t("showItInBuild")}</QuietButton>
            )}
          </Box>
        ))}
      </Box>
    </Box>
  );
}
