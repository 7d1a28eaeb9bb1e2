/**
 * Small faults drawn from the code itself. Every place where a sign, a comparison, a number, a branch or a guard could be the
 * wrong one is a candidate; a hash of its file, its line and the change orders them, so that the draw stays the same where the
 * code does, and nobody chose what the tests are asked.
 */
import { createHash } from 'node:crypto';
import { readFileSync, readdirSync } from 'node:fs';
import path from 'node:path';
import ts from 'typescript';

const ROOT = path.join(import.meta.dirname, '..');
/** The rooms they are drawn from, and how many of each. */
export const ROOMS = {
  errors: 'core/src/errors',
  force: 'core/src/force',
  arbors: 'core/src/arbors',
  teeth: 'core/src/teeth',
  make: 'core/src/make',
  control: 'core/src/control',
  measure: 'core/src/measure',
  exports: 'core/src/exports',
  records: 'web/src/records',
  stores: 'web/src/stores',
};
export const EACH = 12;

const SWAPS = new Map([
  [ts.SyntaxKind.LessThanToken, '<='],
  [ts.SyntaxKind.LessThanEqualsToken, '<'],
  [ts.SyntaxKind.GreaterThanToken, '>='],
  [ts.SyntaxKind.GreaterThanEqualsToken, '>'],
  [ts.SyntaxKind.EqualsEqualsEqualsToken, '!=='],
  [ts.SyntaxKind.ExclamationEqualsEqualsToken, '==='],
  [ts.SyntaxKind.PlusToken, '-'],
  [ts.SyntaxKind.MinusToken, '+'],
  [ts.SyntaxKind.AsteriskToken, '/'],
  [ts.SyntaxKind.SlashToken, '*'],
  [ts.SyntaxKind.PercentToken, '*'],
  [ts.SyntaxKind.AmpersandAmpersandToken, '||'],
  [ts.SyntaxKind.BarBarToken, '&&'],
]);
const CALLS = {
  mul: 'div',
  div: 'mul',
  add: 'sub',
  sub: 'add',
  min: 'max',
  max: 'min',
  floor: 'ceil',
  ceil: 'floor',
  sin: 'cos',
  cos: 'sin',
};

/** What could be put in the place of a node: [start, end, text]. */
const faultsOf = (node) => {
  const at = (n) => [n.getStart(), n.getEnd()];
  if (ts.isBinaryExpression(node)) {
    const other = SWAPS.get(node.operatorToken.kind);
    const text = [node.left, node.right].some(
      (side) => ts.isStringLiteralLike(side) || ts.isTemplateExpression(side),
    );
    return other && !(text && other === '-') ? [[...at(node.operatorToken), other]] : [];
  }
  if (ts.isPrefixUnaryExpression(node))
    return node.operator === ts.SyntaxKind.ExclamationToken || node.operator === ts.SyntaxKind.MinusToken
      ? [[...at(node), node.operand.getText()]]
      : [];
  if (ts.isNumericLiteral(node))
    return [[...at(node), String(Number(node.text) < 10 ? Number(node.text) + 1 : 2 * Number(node.text))]];
  if (ts.isBigIntLiteral(node)) return [[...at(node), `${BigInt(node.text.slice(0, -1)) + 1n}n`]];
  if (node.kind === ts.SyntaxKind.TrueKeyword) return [[...at(node), 'false']];
  if (node.kind === ts.SyntaxKind.FalseKeyword) return [[...at(node), 'true']];
  if (ts.isConditionalExpression(node))
    return [
      [...at(node), `${node.condition.getText()} ? ${node.whenFalse.getText()} : ${node.whenTrue.getText()}`],
    ];
  if (ts.isIfStatement(node) && !node.elseStatement && ts.isReturnStatement(node.thenStatement))
    return [[...at(node), '']];
  if (ts.isCallExpression(node)) {
    const name = ts.isPropertyAccessExpression(node.expression) ? node.expression.name : node.expression;
    const other = ts.isIdentifier(name) && Object.hasOwn(CALLS, name.text) ? CALLS[name.text] : null;
    return other ? [[...at(name), other]] : [];
  }
  return [];
};

const sources = (folder) =>
  readdirSync(path.join(ROOT, folder), { recursive: true, encoding: 'utf8' })
    .filter((f) => f.endsWith('.ts') && !/\.(test|bench)\.ts$|(^|\/)(index|testing)\.ts$/.test(f))
    .map((f) => `${folder}/${f}`)
    .sort();

/** Names a fault that a later run should know again: its file, its line's text, what was there and what is put there. */
export const nameOf = (m) => `${m.file}: ${m.line} [${m.was} → ${m.now}]`;

const candidates = (folder) =>
  sources(folder).flatMap((file) => {
    const text = readFileSync(path.join(ROOT, file), 'utf8');
    const tree = ts.createSourceFile(file, text, ts.ScriptTarget.ES2022, true);
    const found = [];
    const walk = (node) => {
      if (ts.isTypeNode(node) || ts.isImportDeclaration(node) || ts.isThrowStatement(node)) return;
      for (const [start, end, now] of faultsOf(node)) {
        const lineStart = text.lastIndexOf('\n', start - 1) + 1;
        const line = text.slice(lineStart, text.indexOf('\n', start)).trim();
        found.push({
          file,
          start,
          end,
          was: text.slice(start, end).replace(/\s+/g, ' '),
          now: now.replace(/\s+/g, ' '),
          put: now,
          line,
          number: text.slice(0, start).split('\n').length,
        });
      }
      ts.forEachChild(node, walk);
    };
    walk(tree);
    return found;
  });

/** The faults of a room: `EACH` of its candidates, no two of a line. */
export const draw = (room) => {
  const hash = (m) => createHash('sha256').update(nameOf(m)).digest('hex');
  const taken = new Set();
  return candidates(ROOMS[room])
    .map((m) => ({ ...m, room, order: hash(m) }))
    .sort((a, b) => (a.order < b.order ? -1 : 1))
    .filter((m) => {
      const line = `${m.file}:${m.number}`;
      return !taken.has(line) && taken.add(line);
    })
    .slice(0, EACH);
};
