import { Box, Flex, Popover, Portal, Text } from "@chakra-ui/react";
import { CircleAlert } from "lucide-react";
import type { ReactNode } from "react";
import { QuietButton } from "../../kit/QuietButton";
import { SETTINGS } from "../store/model";
import { discard, isRefused, useCourse } from "../store/store";
import { t } from "../../words/shell";

/** What the server does not take: named, with the reason, and how to be rid of it. All else is saved. */
export function RefusedChanges(): ReactNode {
  const refused = useCourse((state) => state.refused);
  const slides = useCourse((state) => state.slides);
  const left = Object.entries(refused).filter(([name]) => isRefused(name));
  return (
    <Popover.Root positioning={{ placement: "bottom-end" }}>
      <Popover.Trigger asChild>
        <Box
          as="button" display="flex" alignItems="center" gap="1.5" px="3" py="1" borderRadius="full" fontSize="13px"
          bg="brick.soft" color="brick" fontWeight="600" data-saving="refused"
        >
          <CircleAlert size={14} />{" "}{t("leftCannotBeSaved", { left: t("changes", { count: left.length }) })}
        </Box>
      </Popover.Trigger>
      <Portal>
        <Popover.Positioner>
          <Popover.Content bg="sheet" w="380px" aria-label={t("whatCannotBeSaved")}>
            <Popover.Body>
              <Text fontSize="13px" color="quiet" mb="2">
                {t("everythingElseIsSavedChange")}
              </Text>
              {left.map(([name, { reason }]) => (
                <Box key={name} py="2" borderTopWidth="1px">
                  <Text fontWeight="600">
                    {name === SETTINGS ? t("theCoursesSettings2") : t("theSlideTitle2", { title: slides[name]?.title ?? "" })}
                  </Text>
                  <Text fontSize="13px" mb="2">{reason}</Text>
                  <Flex justify="flex-end">
                    <QuietButton size="xs" onClick={() => discard(name)}>{t("goBackToTheSaved")}</QuietButton>
                  </Flex>
                </Box>
              ))}
            </Popover.Body>
          </Popover.Content>
        </Popover.Positioner>
      </Portal>
    </Popover.Root>
  );
}
