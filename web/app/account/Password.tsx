import { Flex, Text } from "@chakra-ui/react";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState, type ReactNode } from "react";
import { api, take } from "../../api/client";
import { Card } from "../../kit/Card";
import { MainButton } from "../../kit/MainButton";
import { sayDone } from "../../kit/toaster";
import { PasswordField } from "./PasswordField";
import { t } from "../../words/app";

/** A new password, for who knows the one so far. */
export function Password(): ReactNode {
  const queries = useQueryClient();
  const [old, setOld] = useState("");
  const [fresh, setFresh] = useState("");
  const change = useMutation({
    mutationFn: () => take(api.PUT("/api/password", { body: { old, new: fresh } })),
    onSuccess: () => {
      setOld("");
      setFresh("");
      void queries.invalidateQueries({ queryKey: ["sessions"] });
      sayDone(t("thePasswordIsChangedOther"));
    },
  });
  return (
    <Card title={t("password")}>
      <form onSubmit={(event) => { event.preventDefault(); change.mutate(); }}>
        <Flex gap="2" wrap={{ base: "wrap", md: "nowrap" }}>
          <PasswordField label={t("passwordSoFar")} value={old} onChange={setOld} />
          <PasswordField label={t("newPassword")} value={fresh} onChange={setFresh} isNew />
          <MainButton type="submit" loading={change.isPending}>{t("changeIt")}</MainButton>
        </Flex>
      </form>
      {change.isError && <Text role="alert" color="brick" mt="2">{change.error.message}</Text>}
    </Card>
  );
}
