package dev.deftchisel.declare.signature;

import com.sun.source.tree.AnnotationTree;
import com.sun.source.tree.AssignmentTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.LiteralTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.declare.inference.UnresolvedName;
import dev.deftchisel.declare.inference.UseTypes;
import dev.deftchisel.member.InheritedMethodText;
import dev.deftchisel.member.InheritedMethods;
import dev.deftchisel.rewrite.TypeWriter;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;

/** Puts together what the uses of a type tell about it. */
public final class NewTypeText {

    private static final List<String> VARIABLES = List.of("T", "U", "V", "W", "X", "Y", "Z");

    private static final Parameters NONE = new Parameters(List.of(), Optional.empty());

    private final UnresolvedName missing;
    private final TypeUses uses;
    private final UseTypes types;
    private final TypeWriter writer;

    /**
     * @param types  as they are written in it
     * @param writer of types in its file
     */
    public NewTypeText(UnresolvedName missing, TypeUses uses, UseTypes types, TypeWriter writer) {
        this.missing = missing;
        this.uses = uses;
        this.types = types;
        this.writer = writer;
    }

    /**
     * The type, or why it cannot be told.
     *
     * @param lines     each level indented by four blanks
     * @param proposed  names in them that are only proposed
     * @param objection why not
     */
    public record Result(List<String> lines, Set<String> proposed, Optional<String> objection) {
    }

    /**
     * The type as one of a kind.
     *
     * @param modifiers with a blank after each
     */
    public Result of(NewType.Kind kind, String modifiers) {
        Parameters state;
        if (kind == NewType.Kind.ANNOTATION) {
            state = elements();
        } else if (kind.isMade()) {
            state = made();
        } else {
            state = NONE;
        }
        if (state.objection().isPresent()) {
            return new Result(List.of(), Set.of(), state.objection());
        }
        List<TypeMirror> arguments = uses.typeArguments();
        List<String> variables = VARIABLES.subList(0, Math.min(VARIABLES.size(), arguments.size()));
        Optional<DeclaredType> above = kind.isMade() ? uses.above()
                .filter(type -> kind != NewType.Kind.RECORD || TypeUses.isInterface(type))
                        : Optional.empty();
        Optional<String> written = above.flatMap(writer::write);
        List<List<String>> methods = written.isEmpty() ? List.of()
                : methods(above.get(), kind == NewType.Kind.RECORD ? state : NONE);
        String head = written.map(name -> (TypeUses.isInterface(above.get()) ? "implements " : "extends ") + name)
                .orElse("");
        NewType type = new NewType(kind, modifiers, missing.name(), variables, generic(state, arguments), head,
                kind == NewType.Kind.ENUM ? uses.constants() : List.of(), methods);
        return new Result(type.lines(), methods.isEmpty() ? type.proposed() : Set.of(), Optional.empty());
    }

    private Parameters made() {
        Optional<TreePath> call = uses.call();
        return call.isEmpty() ? NONE : Parameters.of(uses.file(call.get()), call.get(), uses.arguments(), types);
    }

    /** Those that it must have, but for what a record has by its components (JLS 8.10.3). */
    private List<List<String>> methods(DeclaredType above, Parameters components) {
        InheritedMethods inherited = InheritedMethods.from(missing.code(), above);
        InheritedMethodText text = new InheritedMethodText(inherited, writer, "");
        List<List<String>> methods = new ArrayList<>();
        for (ExecutableElement method : inherited.due()) {
            boolean isThere = method.getParameters().isEmpty()
                    && components.all().stream().anyMatch(one -> method.getSimpleName().contentEquals(one.name()));
            if (!isThere) {
                text.lines(method, "throw").ifPresent(methods::add);
            }
        }
        return methods;
    }

    /** What is of the type of a type argument is of that of the parameter. */
    private Parameters generic(Parameters state, List<TypeMirror> arguments) {
        return new Parameters(state.all().stream().map(one -> {
            for (int i = 0; i < Math.min(arguments.size(), VARIABLES.size()); i++) {
                if (isSame(one.type(), arguments.get(i))) {
                    return new Parameters.One(one.type(), VARIABLES.get(i), one.name());
                }
            }
            return one;
        }).toList(), Optional.empty());
    }

    private boolean isSame(TypeMirror value, TypeMirror argument) {
        AttributedFile code = missing.code();
        return argument.getKind() == TypeKind.DECLARED && code.types().isSameType(code.boxed(value), argument);
    }

    /** What an annotation is given; one value without a name is that of {@code value} (JLS 9.7.3). */
    private Parameters elements() {
        Optional<TreePath> annotation = uses.annotation();
        List<Parameters.One> all = new ArrayList<>();
        for (ExpressionTree argument : annotation.map(path -> ((AnnotationTree) path.getLeaf()).getArguments())
                .orElse(List.of())) {
            AttributedFile code = uses.file(annotation.get());
            boolean isNamed = argument instanceof AssignmentTree assignment && code.find(assignment.getVariable())
                    .isPresent();
            ExpressionTree value = argument instanceof AssignmentTree assignment ? assignment.getExpression()
                    : argument;
            String name = isNamed ? code.text(((AssignmentTree) argument).getVariable()) : "value";
            TreePath path = new TreePath(annotation.get(), value);
            Optional<TypeMirror> type = value instanceof LiteralTree literal ? literal(code, literal)
                    : types.of(code, path);
            Optional<String> text = type.flatMap(types::member);
            if (text.isEmpty()) {
                return new Parameters(List.of(), Optional.of("the type of '" + code.shown(code.range(value), 40)
                        + "' is not known; declare what it needs first"));
            }
            all.add(new Parameters.One(type.get(), text.get(), name));
        }
        return new Parameters(all, Optional.empty());
    }

    private static Optional<TypeMirror> literal(AttributedFile code, LiteralTree literal) {
        return switch (literal.getKind()) {
            case STRING_LITERAL -> Optional.of(code.elements().getTypeElement("java.lang.String").asType());
            case INT_LITERAL -> Optional.of(code.types().getPrimitiveType(TypeKind.INT));
            case LONG_LITERAL -> Optional.of(code.types().getPrimitiveType(TypeKind.LONG));
            case FLOAT_LITERAL -> Optional.of(code.types().getPrimitiveType(TypeKind.FLOAT));
            case DOUBLE_LITERAL -> Optional.of(code.types().getPrimitiveType(TypeKind.DOUBLE));
            case CHAR_LITERAL -> Optional.of(code.types().getPrimitiveType(TypeKind.CHAR));
            case BOOLEAN_LITERAL -> Optional.of(code.types().getPrimitiveType(TypeKind.BOOLEAN));
            default -> Optional.empty();
        };
    }
}
