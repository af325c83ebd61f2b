/** A theme as fields: those to begin with, each colour, the fonts, and what is hard to read. */
import { Box, Flex, Separator, Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import type { ReactNode } from "react";
import { api, take } from "../../../api/client";
import type { Colours, Theme } from "../../../api/types";
import { themeVariables } from "../../../player/render/theme";
import { Choose } from "../../../kit/Choose";
import { t } from "../../../words/editor";
import { THEMES } from "../../store/styles";
import { ROLE_WORDS } from "../fields/PaintField";

type Family = Theme["fonts"]["text"];
const FAMILIES: readonly Family[] = [
  "Atkinson Hyperlegible Next", "Bricolage Grotesque", "Source Serif 4", "Nunito", "Fraunces", "Rubik",
];

interface Props { theme: Theme; onChange: (part: Partial<Theme>, merge?: string) => void }

/** The fields of a theme. */
export function ThemeFields({ theme, onChange }: Props): ReactNode {
  const { colours, fonts } = theme;
  const families = FAMILIES.map((family) => [family, family] as const);
  return (
    <>
      <Flex gap="2" wrap="wrap" mb="2">
        {THEMES.map((other) => (
          <Box
            as="button" key={other.name} borderWidth="1px" borderRadius="6px" overflow="hidden" title={other.name}
            aria-label={t("themeName", { name: other.name })} aria-pressed={other.name === theme.name} onClick={() => onChange(other)}
            outline={other.name === theme.name ? "2px solid {colors.marigold}" : undefined}
          >
            <Flex h="30px" w="74px" align="center" justify="space-between" px="1.5" style={{ background: other.colours.paper, ...themeVariables(other) }}>
              <Text style={{ color: other.colours.ink, fontFamily: "var(--zz-heading)", fontWeight: 700 }}>Aa</Text>
              {(["primary", "accent", "soft"] as const).map((role) => (
                <Box key={role} w="11px" h="11px" borderRadius="full" style={{ background: other.colours[role] }} />
              ))}
            </Flex>
          </Box>
        ))}
      </Flex>
      <Weak colours={colours} />
      <Box display="grid" gridTemplateColumns="1fr 1fr" columnGap="2">
        {(Object.keys(colours) as (keyof Colours)[]).map((role) => (
          <Flex as="label" key={role} align="center" gap="1.5" py="0.5" cursor="pointer">
            <input
              type="color" aria-label={t("colourForRole", { role: ROLE_WORDS[role] })} value={colours[role]}
              onChange={(event) => onChange({ name: t("ownTheme"), colours: { ...colours, [role]: event.target.value.toLowerCase() } }, `theme-${role}`)}
              style={{ width: 26, height: 22, padding: 0, border: "1px solid #c9bda6", borderRadius: 5, background: "none" }}
            />
            <Text fontSize="12.5px" color="quiet" truncate>{ROLE_WORDS[role]}</Text>
          </Flex>
        ))}
      </Box>
      <Separator my="1.5" />
      <Choose label={t("headingFont")} value={fonts.heading} options={families} onChange={(heading) => onChange({ fonts: { ...fonts, heading } })} />
      <Choose label={t("textFont")} value={fonts.text} options={families} onChange={(text) => onChange({ fonts: { ...fonts, text } })} />
    </>
  );
}

/** What of the theme is hard to read. */
function Weak({ colours }: { colours: Colours }): ReactNode {
  const { data } = useQuery({
    queryKey: ["contrast", colours], placeholderData: (before) => before, staleTime: Infinity,
    queryFn: () => take(api.POST("/api/edits/contrast", { body: colours })),
  });
  if (!data?.length) return null;
  return (
    <Box bg="brick.soft" color="brick" borderRadius="6px" p="2" mb="2" fontSize="12.5px" role="status">
      {data.map(({ what, ratio, words, ground }) => (
        <Flex key={what} gap="2" align="center">
          <Box px="1" borderRadius="3px" style={{ color: colours[words], background: colours[ground] }}>Aa</Box>
          <Text>{t("whatContrastRatioAtLeast", { what, ratio })}</Text>
        </Flex>
      ))}
    </Box>
  );
}
