/** A rule that the linter has not: the heart has no clock of its own. */
const timeIsHandedIn = {
  create: (context) => ({
    NewExpression(node) {
      if (node.callee.type !== "Identifier" || node.callee.name !== "Date") return;
      if (node.arguments.length === 0) context.report({ node, message: "Time is handed in." });
    },
  }),
};

export default {
  meta: { name: "core" },
  rules: { "time-is-handed-in": timeIsHandedIn },
};
