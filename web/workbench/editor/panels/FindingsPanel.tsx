import { Box, Heading } from "@chakra-ui/react";
import type { ReactNode } from "react";
import { t } from "../../../words/findings";
import { Findings } from "../../shell/Findings";
import { goToSlide, select } from "../../store/store";

/** What was found in the course, beside the slide that it speaks of. */
export function FindingsPanel(): ReactNode {
  return (
    <Box p="3" fontSize="13px" lineHeight="1.4">
      <Heading as="h2" fontSize="14px" fontFamily="body" fontWeight="700" mb="1">{t("findings")}</Heading>
      <Findings onShow={({ slide, element }) => {
        if (slide) goToSlide(slide);
        if (element) select([element]);
      }} />
    </Box>
  );
}
