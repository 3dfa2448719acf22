package dev.deftchisel.repair;

import com.sun.source.tree.BinaryTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.LiteralTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.TypeCastTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.symbol.NamedTypes;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.FixEdits;
import dev.deftchisel.rewrite.Precedence;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.ArrayType;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;

/** Ways to turn a value into one of another type (JLS 5). */
public final class Conversion {

    private Conversion() {
    }

    public static List<Fix> of(TreePath path, TypeMirror own, TypeMirror wanted, AttributedFile code) {
        List<Fix> fixes = new ArrayList<>();
        if (own.getKind() == TypeKind.VOID || own.getKind() == TypeKind.NULL || code.types().isSameType(own, wanted)) {
            return fixes;
        }
        boolean isNarrowed = !own.getKind().isPrimitive() && !wanted.getKind().isPrimitive()
                && code.isKind(wanted, own);
        if (isNarrowed) {
            // what is a kind of the other is rather the thing itself than something to be made of it
            fixes.add(cast(path, wanted));
        }
        boolean toText = NamedTypes.is(wanted, "java.lang.String");
        boolean fromText = NamedTypes.is(own, "java.lang.String");
        Optional<String> parser = fromText && !isSentence(path.getLeaf()) ? parser(code.unboxed(wanted))
                : Optional.empty();
        if (parser.isPresent()) {
            part(path, parser.get(), wanted, code).ifPresent(fixes::add);
        }
        if (fromText && wanted instanceof DeclaredType declared && declared.asElement().getKind() == ElementKind.ENUM) {
            fixes.add(constant(path, declared));
        }
        Optional<Fix> letter = letter(path, wanted);
        letter.ifPresent(fixes::add);
        if (toText && path.getLeaf() instanceof BinaryTree sum && sum.getKind() == Tree.Kind.PLUS
                && code.type(new TreePath(path, sum.getLeftOperand()))
                .filter(type -> type.getKind() == TypeKind.CHAR).isPresent()) {
            // a letter and a number are joined by text only, and else added
            fixes.add(Fix.of("join them as text", edits -> edits.insert(code.range(sum).start(), "\"\" + ")));
        }
        if (toText && own instanceof ArrayType array && array.getComponentType().getKind() != TypeKind.CHAR) {
            fixes.add(Fix.of("make text of its elements", edits -> edits.replace(path.getLeaf(), to -> to
                    .write(edits.types().name(code.elements().getTypeElement("java.util.Arrays")) + ".toString(")
                    .carry(code.range(path.getLeaf())).write(")"))));
        } else if (toText && letter.isEmpty()) {
            fixes.add(wrapped(path, "String.valueOf(", ")", "make text of it"));
        } else if (parser.isPresent() && !(path.getLeaf() instanceof LiteralTree literal
                && !String.valueOf(literal.getValue()).matches("\\s*([-+]?[\\d.]+|true|false)\\s*"))) {
            fixes.add(wrapped(path, parser.get() + "(", ")", "read it as " + wanted));
        }
        if (NamedTypes.is(wanted, "java.util.Optional")) {
            fixes.add(Fix.of("wrap it in an Optional", edits -> edits.replace(path.getLeaf(), to -> to
                    .write(edits.types().name(code.elements().getTypeElement("java.util.Optional"))
                            + (own.getKind().isPrimitive() ? ".of(" : ".ofNullable(")).carry(code.range(path.getLeaf()))
                            .write(")"))));
        } else if (NamedTypes.is(own, "java.util.Optional")) {
            fixes.add(suffixed(path, ".orElseThrow()", "take what the Optional holds"));
        }
        collections(path, own, wanted, code).ifPresent(fixes::add);
        boolean isWhole = own.getKind().isPrimitive() && wanted.getKind() == TypeKind.BOOLEAN
                && own.getKind() != TypeKind.BOOLEAN;
        if (isWhole) {
            fixes.add(suffixed(path, " != 0", "compare it with 0"));
        } else if (wanted.getKind() == TypeKind.BOOLEAN && !own.getKind().isPrimitive() && !isBox(own)) {
            fixes.add(suffixed(path, " != null", "compare it with null"));
        }
        if (!isNarrowed && wanted.getKind() != TypeKind.BOOLEAN && isCastable(own, wanted, code)) {
            wholeCast(path, wanted, code).ifPresent(fixes::add);
            fixes.add(cast(path, wanted));
        }
        return fixes;
    }

    /** {@code "total: " + n}: text with words in it is no number. */
    private static boolean isSentence(Tree tree) {
        return tree instanceof BinaryTree sum && sum.getKind() == Tree.Kind.PLUS
                && (isWord(sum.getLeftOperand()) || isWord(sum.getRightOperand())
                || isSentence(sum.getLeftOperand()));
    }

    private static boolean isWord(Tree tree) {
        return tree instanceof LiteralTree literal && literal.getValue() instanceof String text
                && !text.matches("[-+\\d.]*");
    }

    /** {@code total + parts[i]}: the one operand that is text is read, not what the sum gives (JLS 15.18.1). */
    private static Optional<Fix> part(TreePath path, String parser, TypeMirror wanted, AttributedFile code) {
        if (!(path.getLeaf() instanceof BinaryTree sum) || sum.getKind() != Tree.Kind.PLUS) {
            return Optional.empty();
        }
        List<TreePath> texts = Stream.of(sum.getLeftOperand(), sum.getRightOperand())
                .map(operand -> new TreePath(path, operand))
                .filter(operand -> code.type(operand).filter(type -> NamedTypes.is(type, "java.lang.String"))
                        .isPresent()).toList();
        return texts.size() != 1 ? Optional.empty() : Optional.of(wrapped(texts.get(0), parser + "(", ")",
                "read '" + code.shown(code.range(texts.get(0).getLeaf()), 30) + "' as " + wanted));
    }

    /** {@code (int) price * 2.0}: a cast binds more tightly than operators do (JLS 15.16), and all was meant. */
    private static Optional<Fix> wholeCast(TreePath path, TypeMirror wanted, AttributedFile code) {
        TreePath first = path;
        while (first.getLeaf() instanceof BinaryTree binary) {
            first = new TreePath(first, binary.getLeftOperand());
        }
        if (first == path || !(first.getLeaf() instanceof TypeCastTree cast)
                || code.type(new TreePath(first, cast.getType()))
                .filter(type -> code.types().isSameType(type, wanted)).isEmpty()) {
            return Optional.empty();
        }
        int head = code.range(cast.getExpression()).start();
        return Optional.of(Fix.of("cast all of it", edits -> {
            edits.insert(head, "(");
            edits.insert(code.range(path.getLeaf()).end(), ")");
        }));
    }

    /** The constant of an enum that a text names (JLS 8.9). */
    private static Fix constant(TreePath path, DeclaredType type) {
        TypeElement element = (TypeElement) type.asElement();
        Optional<String> named = element.getEnclosedElements().stream()
                .filter(one -> one.getKind() == ElementKind.ENUM_CONSTANT).map(one -> one.getSimpleName().toString())
                .filter(name -> path.getLeaf() instanceof LiteralTree literal
                        && name.equalsIgnoreCase(String.valueOf(literal.getValue())))
                .findFirst();
        return named.map(name -> Fix.of("write " + element.getSimpleName() + "." + name,
                        edits -> edits.replace(path.getLeaf(), to -> to.write(edits.types()
                                .name(element) + "." + name))))
                .orElseGet(() -> Fix.of("look the constant up by its name",
                        edits -> edits.replace(path.getLeaf(), to -> to
                        .write(edits.types().name(element) + ".valueOf(").carry(edits.code().range(path.getLeaf()))
                        .write(")"))));
    }

    /** One letter in the other sort of quotation marks (JLS 3.10.4, 3.10.5). */
    private static Optional<Fix> letter(TreePath path, TypeMirror wanted) {
        Object value = path.getLeaf() instanceof LiteralTree literal ? literal.getValue() : null;
        boolean toText = value instanceof Character
                && NamedTypes.isOneOf(wanted, Set.of("java.lang.String", "java.lang.CharSequence"));
        boolean toLetter = value instanceof String text && text.length() == 1 && wanted.getKind() == TypeKind.CHAR;
        if (!toText && !toLetter || "\"'\\".indexOf(String.valueOf(value)) >= 0) {
            return Optional.empty();
        }
        String mark = toText ? "\"" : "'";
        return Optional.of(Fix.of(toText ? "write it as a string" : "write it as a character", edits -> {
            Range range = edits.code().range(path.getLeaf());
            String text = edits.code().text(range);
            edits.replace(range, mark + text.substring(1, text.length() - 1) + mark);
        }));
    }

    private static Fix cast(TreePath path, TypeMirror wanted) {
        return Fix.of("cast it to " + shown(wanted),
                edits -> cast(edits, path, edits.types().write(wanted).orElse(NamedTypes.shown(wanted))));
    }

    /** Writes a cast before an expression, with the parentheses that it needs. */
    public static void cast(FixEdits edits, TreePath path, String type) {
        ExpressionTree tree = (ExpressionTree) path.getLeaf();
        boolean isGrouped = Precedence.needsParenthesesInCast(tree);
        boolean isWholeGrouped = Precedence.castNeedsParentheses(tree, tree, path.getParentPath().getLeaf());
        edits.replace(tree, to -> to.write((isWholeGrouped ? "((" : "(") + type + ") ")
                .write(isGrouped ? "(" : "").carry(edits.code().range(tree))
                .write((isGrouped ? ")" : "") + (isWholeGrouped ? ")" : "")));
    }

    private static boolean isBox(TypeMirror type) {
        return NamedTypes.is(type, "java.lang.Boolean");
    }

    private static Optional<String> parser(TypeMirror wanted) {
        return Optional.ofNullable(switch (wanted.getKind()) {
            case INT -> "Integer.parseInt";
            case LONG -> "Long.parseLong";
            case DOUBLE -> "Double.parseDouble";
            case FLOAT -> "Float.parseFloat";
            case BOOLEAN -> "Boolean.parseBoolean";
            default -> null;
        });
    }

    private static Optional<Fix> collections(TreePath path, TypeMirror own, TypeMirror wanted, AttributedFile code) {
        TypeMirror list = code.elements().getTypeElement("java.util.List").asType();
        boolean toList = wanted instanceof DeclaredType && code.isKind(list, wanted);
        if (own.getKind() == TypeKind.ARRAY && toList && !((ArrayType) own).getComponentType().getKind()
                .isPrimitive()) {
            return Optional.of(Fix.of("make a list of it", edits -> edits.replace(path.getLeaf(), to -> to
                    .write(edits.types().name(code.elements().getTypeElement("java.util.Arrays")) + ".asList(")
                    .carry(code.range(path.getLeaf())).write(")"))));
        }
        TypeMirror collection = code.elements().getTypeElement("java.util.Collection").asType();
        if (wanted instanceof ArrayType array && !array.getComponentType().getKind().isPrimitive()
                && own instanceof DeclaredType
                && code.isKind(own, collection)) {
            String element = NamedTypes.shown(code.types().erasure(array.getComponentType()));
            return Optional.of(suffixed(path, ".toArray(new " + element.substring(element.lastIndexOf('.') + 1)
                    + "[0])",
                    "make an array of it"));
        }
        return Optional.empty();
    }

    /** Whether a cast could be right: between numbers, up or down a class hierarchy, or boxed. */
    private static boolean isCastable(TypeMirror own, TypeMirror wanted, AttributedFile code) {
        if (wanted.getKind().isPrimitive() && own.getKind().isPrimitive()) {
            return wanted.getKind() != TypeKind.BOOLEAN && own.getKind() != TypeKind.BOOLEAN;
        }
        if (wanted.getKind().isPrimitive()) {
            return code.isKind(code.boxed(wanted), own);
        }
        if (own.getKind().isPrimitive()) {
            return false;
        }
        TypeMirror from = code.types().erasure(own);
        TypeMirror to = code.types().erasure(wanted);
        boolean isInterface = isInterface(from) || isInterface(to);
        return code.types().isSubtype(to, from) || code.types().isSubtype(from, to) || isInterface && !isFinal(from)
                && !isFinal(to)
                || own.getKind() == TypeKind.TYPEVAR || wanted.getKind() == TypeKind.TYPEVAR;
    }

    private static boolean isInterface(TypeMirror type) {
        return type instanceof DeclaredType declared && declared.asElement().getKind().isInterface();
    }

    private static boolean isFinal(TypeMirror type) {
        return !(type instanceof DeclaredType declared) || declared.asElement().getModifiers().contains(Modifier.FINAL);
    }

    /** A type as it is shown in titles: without packages. */
    public static String shown(TypeMirror type) {
        return NamedTypes.shown(type).replaceAll("[a-z][a-zA-Z0-9_]*\\.", "");
    }

    private static Fix wrapped(TreePath path, String before, String behind, String title) {
        return Fix.of(title, edits -> edits.replace(path.getLeaf(),
                to -> to.write(before).carry(edits.code().range(path.getLeaf())).write(behind)));
    }

    private static Fix suffixed(TreePath path, String suffix, String title) {
        boolean isGrouped = Precedence.needsParenthesesBeforeDot((ExpressionTree) path.getLeaf());
        return Fix.of(title, edits -> edits.replace(path.getLeaf(), to -> to.write(isGrouped ? "(" : "")
                .carry(edits.code().range(path.getLeaf())).write((isGrouped ? ")" : "") + suffix)));
    }
}
