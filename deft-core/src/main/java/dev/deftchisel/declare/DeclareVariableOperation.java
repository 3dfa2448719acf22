package dev.deftchisel.declare;

import com.sun.source.tree.AnnotationTree;
import com.sun.source.tree.AssignmentTree;
import com.sun.source.tree.CaseTree;
import com.sun.source.tree.ConditionalExpressionTree;
import com.sun.source.tree.ExpressionStatementTree;
import com.sun.source.tree.StatementTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.analysis.symbol.NamedTypes;
import dev.deftchisel.declare.inference.DiamondArguments;
import dev.deftchisel.declare.inference.UnresolvedName;
import dev.deftchisel.declare.inference.UseTypes;
import dev.deftchisel.declare.inference.ValueType;
import dev.deftchisel.declare.signature.DeclarationRequest;
import dev.deftchisel.member.NewMember;
import dev.deftchisel.member.PlaceholderCode;
import dev.deftchisel.member.TargetClass;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Question;
import dev.deftchisel.rewrite.Layout;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;
import javax.lang.model.util.ElementFilter;

/** Declares the variable that a name asks for: a local one, a field, or a constant. */
public final class DeclareVariableOperation extends DeclareOperation {

    /** The key of the choice what it is: {@code local}, {@code field} or {@code constant}. */
    public static final String AS = "as";
    /** The key of its type, where the use does not tell. */
    public static final String TYPE = "type";

    private static final String LOCAL = "local";
    private static final String FIELD = "field";
    private static final String CONSTANT = "constant";
    private static final Question AS_QUESTION = new Question.Choice(AS, "what it is",
            List.of(new Question.Option("use", "as it is used: local where it is assigned, a constant in capitals, "
                    + "else a field"),
                    new Question.Option(LOCAL, "a local variable"),
                    new Question.Option(FIELD, "a field"),
                    new Question.Option(CONSTANT, "a constant")),
            "use");

    @Override
    public String id() {
        return "declare-variable";
    }

    @Override
    public String summary() {
        return "Declare the variable, field or constant that a name refers to";
    }

    @Override
    public List<Question> questions() {
        return List.of(AS_QUESTION, new Question.Text(TYPE, "its type, if the use does not show it", ""),
                VISIBILITY_QUESTION);
    }

    @Override
    boolean isFor(UnresolvedName missing) {
        // what is selected from nothing that is known may be a package or type
        return missing.call().isEmpty() && !missing.isReference() && !missing.isType() && missing.owner().isPresent();
    }

    @Override
    String title(UnresolvedName missing) {
        return "declare the variable " + missing.name();
    }

    @Override
    PlannedDeclaration declared(DeclarationRequest asked) {
        UnresolvedName missing = asked.missing();
        TargetClass owner = asked.owner();
        UseTypes types = asked.types();
        Answers answers = asked.answers();
        if (missing.isEnumConstant()) {
            return enumConstant(missing, owner);
        } else if (missing.isElement()) {
            return element(missing, owner, types);
        }
        String as = answers.single(AS).filter(said -> !said.equals("use")).orElse(defaultKind(missing));
        Optional<TypeMirror> type = type(asked.uses(), types);
        Optional<String> said = answers.single(TYPE).filter(text -> !text.isEmpty());
        // the fields of an interface are constants, whatever they are called (JLS 9.3)
        boolean isOfInterface = owner.type().getKind().isInterface();
        boolean isConstant = as.equals(CONSTANT) || isOfInterface;
        Optional<String> written = said.or(() -> type.flatMap(as.equals(LOCAL) ? types::local
                : isConstant ? types.ofStatic()::field : types::field));
        if (written.isEmpty()) {
            return new PlannedDeclaration.Impossible("the use does not show of which type " + missing.name()
                    + " is; say it (type)");
        }
        String value = said.map(PlaceholderCode::value).orElseGet(() -> value(asked, type.orElseThrow()));
        if (as.equals(LOCAL)) {
            return missing.object().isPresent()
                    ? new PlannedDeclaration.Impossible("what is selected from an object is no local variable")
                    : local(missing, written.get(), value);
        }
        boolean isAssigned = asked.uses().stream().anyMatch(use -> assigned(use).isPresent());
        String head = visibility(asked) + (isOfInterface ? "" : isConstant ? isAssigned ? "static " : "static final "
                : asked.isStatic() ? "static " : "");
        return new PlannedDeclaration.Members("declare the " + (isConstant ? "constant " : "field ") + owner.name()
                + "." + missing.name(),
                List.of(NewMember.added(isConstant ? NewMember.Kind.CONSTANT : NewMember.Kind.FIELD, missing.name(),
                                List.of(head + written.get() + " " + missing.name()
                                        + (isConstant && !isAssigned ? " = " + value : "") + ";"))
                        .aheadOf(initialised(asked.uses(), owner))));
    }

    /**
     * What a constant is until somebody says; not null where a label or an annotation must know it, or an inner class
     * may have no other static members (JLS 8.1.3 before Java 16, 15.29).
     */
    private static String value(DeclarationRequest asked, TypeMirror type) {
        boolean mustBeKnown = asked.uses().stream().anyMatch(use -> use.code().around(use.range()).stream()
                .anyMatch(path -> path.getLeaf() instanceof AnnotationTree
                        || path.getLeaf() instanceof CaseTree label && label.getExpressions().stream()
                                .anyMatch(one -> use.code().range(one).encloses(use.range()))));
        return (mustBeKnown || asked.owner().isInner()) && NamedTypes.is(type, "java.lang.String") ? "\"\""
                : PlaceholderCode.value(type);
    }

    /** A constant, with stand-ins for what its constructor must have. */
    private static PlannedDeclaration enumConstant(UnresolvedName missing, TargetClass owner) {
        String arguments = ElementFilter.constructorsIn(owner.type().getEnclosedElements()).stream()
                .min((one, other) -> Integer.compare(one.getParameters().size(), other.getParameters().size()))
                .map(PlaceholderCode::arguments).filter(values -> !values.isEmpty()).map(values -> "(" + values + ")")
                .orElse("");
        return new PlannedDeclaration.Members("declare the constant " + owner.name() + "." + missing.name(), List.of(
                NewMember.added(NewMember.Kind.ENUM_CONSTANT, missing.name(), List.of(missing.name() + arguments))));
    }

    /** An element with a default, since it may be used elsewhere without a value. */
    private static PlannedDeclaration element(UnresolvedName missing, TargetClass owner, UseTypes types) {
        AssignmentTree given = (AssignmentTree) missing.path().getParentPath().getLeaf();
        Optional<TypeMirror> type = types.of(new TreePath(missing.path().getParentPath(), given.getExpression()));
        Optional<String> written = type.flatMap(types::member);
        if (written.isEmpty()) {
            return new PlannedDeclaration.Impossible("the type of '" + missing.code().text(given.getExpression())
                    + "' is not known; declare what it needs first");
        }
        String defaultClause;
        if (type.get().getKind().isPrimitive()) {
            defaultClause = " default " + PlaceholderCode.value(type.get());
        } else if (written.get().equals("String")) {
            defaultClause = " default \"\"";
        } else if (type.get().getKind() == TypeKind.ARRAY) {
            defaultClause = " default {}";
        } else {
            defaultClause = "";
        }
        return new PlannedDeclaration.Members("declare the element " + owner.name() + "." + missing.name(),
                List.of(NewMember.added(
                NewMember.Kind.METHOD, missing.name(), List.of(written.get() + " " + missing.name() + "()"
                        + defaultClause
                        + ";"))));
    }

    /** The first field that needs it for its own value, by its simple name, before which it must stand (JLS 8.3.3). */
    private static Optional<Tree> initialised(List<UnresolvedName> uses, TargetClass owner) {
        return owner.members().stream()
                .filter(member -> member instanceof VariableTree field && field.getInitializer() != null && owner.type()
                .getKind() != ElementKind.ENUM)
                .filter(member -> uses.stream().anyMatch(use -> use.isSimple() && use.code().file() == owner.code()
                        .file()
                        && owner.code().range(member).encloses(use.range())))
                .findFirst();
    }

    private static Optional<TreePath> assignment(UnresolvedName missing) {
        TreePath parent = missing.path().getParentPath();
        return parent.getLeaf() instanceof AssignmentTree assignment && assignment.getVariable() == missing.path()
                .getLeaf()
                ? Optional.of(parent) : Optional.empty();
    }

    private static boolean isWholeStatement(TreePath assignment) {
        return assignment.getParentPath().getLeaf() instanceof ExpressionStatementTree;
    }

    private static String defaultKind(UnresolvedName missing) {
        boolean isSet = missing.object().isEmpty() && missing.method().isPresent()
                && assignment(missing).filter(DeclareVariableOperation::isWholeStatement).isPresent();
        if (missing.name().matches("\\p{Lu}[\\p{Lu}\\p{N}_]*")) {
            return CONSTANT;
        }
        return isSet ? LOCAL : FIELD;
    }

    /** What it is assigned, or what its places ask for. */
    static Optional<TypeMirror> type(List<UnresolvedName> uses, UseTypes types) {
        Map<UnresolvedName, TypeMirror> given = new LinkedHashMap<>();
        uses.forEach(use -> given(use, uses, types).ifPresent(type -> given.put(use, type)));
        boolean mayBeNull = uses.stream().anyMatch(use -> assigned(use)
                .filter(value -> value.getLeaf().getKind() == Tree.Kind.NULL_LITERAL).isPresent());
        Optional<TypeMirror> type = ValueType.of(uses, given).filter(one -> one.getKind() != TypeKind.VOID);
        return mayBeNull ? type.map(uses.get(0).code()::boxed).or(() -> Optional.of(uses.get(0).code().object()))
                : type;
    }

    private static Optional<TreePath> assigned(UnresolvedName use) {
        return assignment(use).map(path -> new TreePath(path, ((AssignmentTree) path.getLeaf()).getExpression()));
    }

    private static Optional<TypeMirror> given(UnresolvedName use, List<UnresolvedName> uses, UseTypes types) {
        Optional<TreePath> value = assigned(use).filter(path -> path.getLeaf().getKind() != Tree.Kind.NULL_LITERAL);
        Optional<TypeMirror> type = value.flatMap(path -> chosen(use.code(), path, types)
                .or(() -> types.of(use.code(), path)));
        if (value.filter(path -> isGuessed(use.code(), path)).isPresent()) {
            return Optional.empty();
        }
        return value.filter(DiamondArguments::isMade).isPresent() && type.filter(DeclaredType.class::isInstance)
                .isPresent()
                ? DiamondArguments.filled((DeclaredType) type.get(), uses)
                .or(() -> type.map(use.code().types()::erasure)) : type;
    }

    /**
     * Whether only the target of a call tells what it returns, so that the compiler could but guess (JLS 18.5.2).
     */
    private static boolean isGuessed(AttributedFile code, TreePath value) {
        return code.type(value).filter(type -> NamedTypes.is(type, "java.lang.Object")).isPresent()
                && code.element(value).filter(called -> called instanceof ExecutableElement method
                        && method.getReturnType().getKind() == TypeKind.TYPEVAR && method.getParameters().stream()
                                .noneMatch(parameter -> parameter.asType().equals(method.getReturnType()))).isPresent();
    }

    /**
     * Of a value that is one of two the type that both are of; empty for other values, and where neither takes both.
     */
    private static Optional<TypeMirror> chosen(AttributedFile code, TreePath value, UseTypes types) {
        if (!(value.getLeaf() instanceof ConditionalExpressionTree choice)) {
            return Optional.empty();
        }
        List<TypeMirror> both = Stream.of(choice.getTrueExpression(), choice.getFalseExpression())
                .filter(one -> one.getKind() != Tree.Kind.NULL_LITERAL)
                .flatMap(one -> types.of(code, new TreePath(value, one)).stream()).toList();
        return both.stream()
                .filter(type -> both.stream().allMatch(other -> code.types().isAssignable(other, type))).findFirst();
    }

    private static PlannedDeclaration local(UnresolvedName missing, String type, String value) {
        AttributedFile code = missing.code();
        Optional<TreePath> set = assignment(missing).filter(DeclareVariableOperation::isWholeStatement);
        String title = "declare the local variable " + missing.name();
        if (set.isPresent()) {
            return new PlannedDeclaration.Local(title, code.range(missing.path().getLeaf()).start(), type + " ");
        }
        for (TreePath at = missing.path(); at.getParentPath() != null; at = at.getParentPath()) {
            if (at.getLeaf() instanceof StatementTree && TreePaths.statements(at.getParentPath().getLeaf())
                    .contains(at.getLeaf())) {
                int start = code.range(at.getLeaf()).start();
                return new PlannedDeclaration.Local(title, start, type + " " + missing.name() + " = " + value + ";"
                        + Layout.of(code.file()).lineEnd() + Layout.indentOf(code.file(), start));
            }
        }
        return new PlannedDeclaration.Impossible(
                "there is no statement here before which a local variable could be declared");
    }
}
