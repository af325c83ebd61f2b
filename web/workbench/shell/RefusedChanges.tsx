import { Box, Flex, Popover, Portal, Text } from "@chakra-ui/react";
import { CircleAlert } from "lucide-react";
import type { ReactNode } from "react";
import { QuietButton } from "../../kit/QuietButton";
import { count } from "../../kit/units";
import { SETTINGS } from "../store/model";
import { discard, isRefused, useCourse } from "../store/store";

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
          <CircleAlert size={14} /> {count(left.length, "change")} cannot be saved
        </Box>
      </Popover.Trigger>
      <Portal>
        <Popover.Positioner>
          <Popover.Content bg="sheet" w="380px" aria-label="What cannot be saved">
            <Popover.Body>
              <Text fontSize="13px" color="quiet" mb="2">
                Everything else is saved. Change this further, or take it back with Ctrl+Z, and it is sent again.
              </Text>
              {left.map(([name, { reason }]) => (
                <Box key={name} py="2" borderTopWidth="1px">
                  <Text fontWeight="600">
                    {name === SETTINGS ? "The course's settings" : `The slide “${slides[name]?.title ?? ""}”`}
                  </Text>
                  <Text fontSize="13px" mb="2">{reason}</Text>
                  <Flex justify="flex-end">
                    <QuietButton size="xs" onClick={() => discard(name)}>Go back to what was saved</QuietButton>
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
