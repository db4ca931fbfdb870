// Rules of the house for the linter; eslint.config.js says where they hold.

/** What crosses the wire gets its type from the table of endpoints: a cast would hold it to nothing. */
export const noCastToContract = {
  meta: {
    type: 'problem',
    schema: [],
    messages: {
      cast: 'No cast to {{name}}, which crosses the wire: ask and send through contract/endpoints.ts.',
    },
  },
  create(context) {
    const ofContract = new Set();
    const namesIn = (node, found = []) => {
      if (node?.type === 'Identifier') found.push(node.name);
      for (const key of context.sourceCode.visitorKeys[node?.type] ?? []) {
        for (const child of [node[key]].flat()) if (child) namesIn(child, found);
      }
      return found;
    };
    const cast = (node) => {
      const name = namesIn(node.typeAnnotation).find((n) => ofContract.has(n));
      if (name) context.report({ node, messageId: 'cast', data: { name } });
    };
    return {
      ImportDeclaration(node) {
        if (/(^|\/)contract\//.test(node.source.value))
          for (const s of node.specifiers) ofContract.add(s.local.name);
        // What is shown of a person is made by the door alone.
        for (const s of node.specifiers) if (s.imported?.name === 'Shown') ofContract.add(s.local.name);
      },
      TSAsExpression: cast,
      TSTypeAssertion: cast,
    };
  },
};

/** The one place of addresses, those that stand for the wire in tests apart. */
export const noPathLiterals = [
  'Literal[value=/^.?\\/api\\//]',
  'TemplateElement[value.raw=/^.?\\/api\\//]',
].map((selector) => ({
  selector,
  message: 'Addresses stand in contract/endpoints.ts alone: ask, send or addressOf() by name.',
}));
