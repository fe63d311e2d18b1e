/**
 * Every SQL statement of the server as the compiler sees it: its text, put together from the constants it is written with, the
 * names that are bound, and the row type that it is read as.
 */
import ts from 'typescript';

/** What the compiler makes of a field of a row. */
export type FieldKind = 'string' | 'number' | 'boolean' | 'other';

export interface Statement {
  /** File and line. */
  at: string;
  /** Its texts, one for each way in which a condition in it may come out; null where the compiler cannot tell. */
  texts: string[] | null;
  /** Names for which values are given; null where nothing can be said of them. */
  bound: string[] | null;
  /** Fields that must be among its columns; null where it is read as nothing in particular. */
  row: Map<string, FieldKind> | null;
}

type Known = ReadonlyMap<ts.Symbol, string[]>;

/** All ways to follow one text by another. */
const followed = (first: string[] | null, then: string[] | null): string[] | null =>
  first && then ? first.flatMap((a) => then.map((b) => a + b)) : null;

class Reader {
  constructor(private readonly types: ts.TypeChecker) {}

  /** The texts that an expression may be. `known`: what parameters of functions stand for. */
  texts(e: ts.Expression, known: Known = new Map()): string[] | null {
    if (ts.isStringLiteral(e) || ts.isNoSubstitutionTemplateLiteral(e)) return [e.text];
    if (ts.isParenthesizedExpression(e) || ts.isAsExpression(e)) return this.texts(e.expression, known);
    if (ts.isTemplateExpression(e))
      return e.templateSpans.reduce<string[] | null>(
        (text, s) => followed(followed(text, this.texts(s.expression, known)), [s.literal.text]),
        [e.head.text],
      );
    if (ts.isConditionalExpression(e)) {
      const [yes, no] = [this.texts(e.whenTrue, known), this.texts(e.whenFalse, known)];
      return yes && no && [...yes, ...no];
    }
    if (ts.isBinaryExpression(e) && e.operatorToken.kind === ts.SyntaxKind.PlusToken)
      return followed(this.texts(e.left, known), this.texts(e.right, known));
    if (ts.isIdentifier(e)) return this.ofName(e, known);
    if (ts.isCallExpression(e)) return this.ofCall(e, known) ?? this.ofType(e);
    return this.ofType(e);
  }

  /** Of a row type: the names of its fields that are always there, and what they are. */
  fields(row: ts.Type): Map<string, FieldKind> | null {
    if ((row.flags & (ts.TypeFlags.Unknown | ts.TypeFlags.Any | ts.TypeFlags.TypeParameter)) !== 0)
      return null;
    const always = row.getProperties().filter((p) => (p.flags & ts.SymbolFlags.Optional) === 0);
    return new Map(always.map((p) => [p.name, this.kind(this.types.getTypeOfSymbol(p))]));
  }

  private kind(type: ts.Type): FieldKind {
    const all = type.isUnion() ? type.types : [type];
    const some = all.filter((t) => (t.flags & (ts.TypeFlags.Null | ts.TypeFlags.Undefined)) === 0);
    const every = (flag: ts.TypeFlags): boolean =>
      some.length > 0 && some.every((t) => (t.flags & flag) !== 0);
    if (every(ts.TypeFlags.StringLike)) return 'string';
    if (every(ts.TypeFlags.NumberLike)) return 'number';
    return every(ts.TypeFlags.BooleanLike) ? 'boolean' : 'other';
  }

  private symbolOf(name: ts.Node): ts.Symbol | undefined {
    const s = this.types.getSymbolAtLocation(name);
    return s && (s.flags & ts.SymbolFlags.Alias) !== 0 ? this.types.getAliasedSymbol(s) : s;
  }

  private ofName(e: ts.Identifier, known: Known): string[] | null {
    const symbol = this.symbolOf(e);
    const told = symbol && known.get(symbol);
    if (told) return told;
    const made = symbol?.valueDeclaration;
    const from = made && ts.isVariableDeclaration(made) ? made.initializer : undefined;
    return (from ? this.texts(from, known) : null) ?? this.ofType(e);
  }

  /** A function that puts a text together: what it returns, with what it is given. */
  private ofCall(e: ts.CallExpression, known: Known): string[] | null {
    const made = this.symbolOf(e.expression)?.valueDeclaration;
    const f = made && ts.isVariableDeclaration(made) ? made.initializer : made;
    if (!f || !(ts.isArrowFunction(f) || ts.isFunctionDeclaration(f)) || !f.body) return null;
    const given = new Map(known);
    for (const [i, p] of f.parameters.entries()) {
      const value = e.arguments[i] ?? p.initializer;
      const [symbol, told] = [this.symbolOf(p.name), value && this.texts(value, known)];
      if (symbol && told) given.set(symbol, told);
    }
    return ts.isBlock(f.body) ? null : this.texts(f.body, given);
  }

  /** Literals that its type allows; any number stands for all. */
  private ofType(e: ts.Expression): string[] | null {
    const type = this.types.getTypeAtLocation(e);
    if ((type.flags & ts.TypeFlags.NumberLike) !== 0) return ['1'];
    const all = type.isUnion() ? type.types : [type];
    return all.every((t) => t.isStringLiteral()) ? all.map((t) => t.value) : null;
  }
}

const METHODS = new Set(['rows', 'one', 'run']);

/** All statements that are given to a `Tx` in these files. `planted`: texts of files that are not there. */
export function statementsOf(
  files: readonly string[],
  options: ts.CompilerOptions,
  planted: Record<string, string> = {},
): Statement[] {
  const host = ts.createCompilerHost(options);
  const { readFile, fileExists } = host;
  host.readFile = (f) => planted[f] ?? readFile(f);
  host.fileExists = (f) => f in planted || fileExists(f);
  const program = ts.createProgram(files, options, host);
  const types = program.getTypeChecker();
  const reader = new Reader(types);
  const found: Statement[] = [];

  const rowOf = (call: ts.CallExpression): Map<string, FieldKind> | null => {
    const answer = types.getResolvedSignature(call)?.getReturnType();
    const awaited = answer && types.getAwaitedType(answer);
    if (!awaited) return null;
    const one = types.isArrayType(awaited)
      ? types.getTypeArguments(awaited as ts.TypeReference)[0]!
      : types.getNonNullableType(awaited);
    return reader.fields(one);
  };
  const boundOf = (given: ts.Expression | undefined): string[] | null => {
    if (!given) return [];
    const type = types.getTypeAtLocation(given);
    return types.getIndexInfosOfType(type).length > 0 ? null : type.getProperties().map((p) => p.name);
  };
  const visit = (node: ts.Node, file: ts.SourceFile): void => {
    if (ts.isCallExpression(node) && ts.isPropertyAccessExpression(node.expression)) {
      const { expression: on, name } = node.expression;
      const [sql, given] = node.arguments;
      if (sql && METHODS.has(name.text) && types.getTypeAtLocation(on).symbol?.name === 'Tx') {
        const line = file.getLineAndCharacterOfPosition(node.getStart()).line + 1;
        found.push({
          at: `${file.fileName}:${line}`,
          texts: reader.texts(sql),
          bound: boundOf(given),
          row: name.text === 'run' ? null : rowOf(node),
        });
      }
    }
    ts.forEachChild(node, (child) => visit(child, file));
  };
  for (const name of files) {
    const file = program.getSourceFile(name);
    if (file) visit(file, file);
  }
  return found;
}
