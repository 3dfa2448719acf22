package dev.deftchisel.extract.method;

import com.sun.source.tree.BlockTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.TypeParameterTree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import com.sun.source.util.TreePathScanner;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.extract.flow.AnalysedFragment;
import dev.deftchisel.extract.flow.Exits;
import dev.deftchisel.extract.flow.Flow;
import dev.deftchisel.extract.flow.Fragment;
import dev.deftchisel.rewrite.NewCode;
import dev.deftchisel.rewrite.TypeWriter;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.TokenKind;
import dev.deftchisel.source.Tokens;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import javax.lang.model.element.Element;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.NestingKind;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.ArrayType;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.IntersectionType;
import javax.lang.model.type.TypeMirror;
import javax.lang.model.type.TypeVariable;
import javax.lang.model.type.WildcardType;

/** The head of the method that a fragment becomes: what it needs to be static, generic, and to be told. */
final class ExtractedSignature {

    private static final int LEVEL_OF_STATIC_IN_INNER = 16;

    private final Analysis analysis;
    private final AttributedFile code;
    private final Fragment fragment;
    private final Flow flow;
    private final Exits exits;
    private final TypeWriter writer;

    ExtractedSignature(Analysis analysis, AnalysedFragment body, TypeWriter writer) {
        this.analysis = analysis;
        this.code = body.code();
        this.fragment = body.fragment();
        this.flow = body.flow();
        this.exits = body.exits();
        this.writer = writer;
    }

    /** Writes types and names as they are written in the file. */
    TypeWriter writer() {
        return writer;
    }

    /** Where the name of a variable is declared; empty for one that is not written, as in a compact constructor. */
    Optional<Range> declaredName(Flow.Variable variable) {
        return analysis.declaration(code.key(variable.element())).map(binding -> binding.range());
    }

    /**
     * Writes the type of a variable as it is declared.
     *
     * @return whether it has a name
     */
    boolean type(NewCode to, Flow.Variable variable) {
        Optional<Range> written = variable.declaration()
                .filter(one -> one.path().getLeaf() instanceof VariableTree)
                .flatMap(one -> writtenType((VariableTree) one.path().getLeaf()));
        if (written.isPresent()) {
            to.carry(written.get());
            return true;
        }
        Optional<String> type = writer.write(variable.element().asType());
        type.ifPresent(to::write);
        return type.isPresent();
    }

    /**
     * Writes type and name of a variable.
     *
     * @return whether the type has a name
     */
    boolean declare(NewCode to, Flow.Variable variable) {
        boolean isWritten = type(to, variable);
        to.write(" ");
        declaredName(variable).ifPresentOrElse(to::carry, () -> to.write(variable.name()));
        return isWritten;
    }

    /** Where the name of a variable stands within the fragment. */
    Range nameOf(Flow.Variable variable) {
        Tree tree = variable.first().path().getLeaf();
        return tree instanceof VariableTree ? declaredName(variable).orElseThrow() : code.range(tree);
    }

    private Optional<Range> writtenType(VariableTree tree) {
        Optional<Range> range = tree.getType() == null ? Optional.empty() : code.find(tree.getType());
        Tokens tokens = code.tokens();
        return range.filter(found -> found.length() > 0 && !code.text(found).equals("var") && !code.text(found)
                .contains("..."))
                // int depths[] is no int, and int... depths has its dots within
                .filter(found -> tokens.kind(tokens.code(tokens.at(found.end()))) == TokenKind.IDENTIFIER)
                .filter(found -> !tokens.is(tokens.code(tokens.code(tokens.at(found.end())) + 1), '['));
    }

    /**
     * Writes what the method returns.
     *
     * @return whether it has a name
     */
    boolean result(NewCode to) {
        if (fragment.isExpression()) {
            return write(to, code.type(fragment.parts().get(0)));
        }
        switch (exits.kind()) {
            case RETURNED, MARKED -> {
                Tree target = exits.jumps().get(0).target();
                if (target instanceof MethodTree method) {
                    to.carry(code.range(method.getReturnType()));
                    return true;
                }
                return write(to, exits.valueType(code));
            }
            case THROWN -> to.carry(code.range(Exits.returning(fragment).orElseThrow().getReturnType()));
            case FLAGGED -> to.write("boolean");
            default -> {
                List<Flow.Variable> outputs = flow.outputs();
                if (!outputs.isEmpty()) {
                    return type(to, outputs.get(0));
                }
                to.write("void");
            }
        }
        return true;
    }

    private boolean write(NewCode to, Optional<TypeMirror> type) {
        Optional<String> text = type.flatMap(writer::write);
        text.ifPresent(to::write);
        return text.isPresent();
    }

    /** Whether the method can do without an object: it is in no object now, or uses none. */
    boolean isStatic(MethodHome home) {
        Element owner = code.element(home.owner()).orElseThrow();
        boolean isInner = owner instanceof TypeElement type && (type.getNestingKind() == NestingKind.LOCAL
                || type.getNestingKind() == NestingKind.ANONYMOUS
                || type.getNestingKind() == NestingKind.MEMBER && !type.getModifiers().contains(Modifier.STATIC));
        boolean mayBe = !isInner || code.file().module().level() >= LEVEL_OF_STATIC_IN_INNER;
        boolean usesObject = fragment.parts().stream().anyMatch(code::dependsOnThis) || typeVariables().stream()
                .anyMatch(variable -> variable.asElement().getEnclosingElement() instanceof TypeElement);
        return isInStaticCode(home) || mayBe && !usesObject && !capturesOuterBody();
    }

    private boolean isInStaticCode(MethodHome home) {
        TreePath member = home.member();
        boolean isStaticMember = member.getLeaf() instanceof BlockTree block ? block.isStatic()
                : code.element(member).filter(element -> element.getModifiers().contains(Modifier.STATIC)).isPresent();
        return isStaticMember || isInConstructorCall();
    }

    /** Before {@code this(...)} or {@code super(...)} is done there is no object yet (JLS 8.8.7.1). */
    private boolean isInConstructorCall() {
        for (TreePath at = fragment.parent(); at != null; at = at.getParentPath()) {
            if (at.getLeaf() instanceof MethodInvocationTree call && TreePaths.callsConstructor(call)) {
                return true;
            }
        }
        return false;
    }

    /** Whether it uses a variable of a body around the class it is in. */
    private boolean capturesOuterBody() {
        Range owner = code.range(fragment.member().getParentPath().getLeaf());
        return fragment.parts().stream()
                .flatMap(part -> code.occurrences(part).stream())
                .anyMatch(one -> code.key(one.variable()) instanceof SymbolKey.Local local
                        && local.offset() < owner.start());
    }

    /**
     * What keeps the compiler from warning in the method around, which it would then do in the new one (JLS 9.6.4.5).
     */
    Optional<Range> suppression() {
        return fragment.member().getLeaf() instanceof MethodTree method ? method.getModifiers().getAnnotations()
                .stream()
                .map(code::range)
                .filter(range -> code.text(range).matches("(?s)@(java\\.lang\\.)?SuppressWarnings\\b.*"))
                .findFirst() : Optional.empty();
    }

    /** Whether the method around declares all its parameters final; the new one then does so too. */
    boolean hasFinalParameters() {
        return fragment.member().getLeaf() instanceof MethodTree method && !method.getParameters().isEmpty()
                && method.getParameters().stream().allMatch(parameter ->
                        parameter.getModifiers().getFlags().contains(Modifier.FINAL));
    }

    /** Writes the type parameters of the method around that the fragment or the head needs. */
    void typeParameters(NewCode to) {
        if (!(fragment.member().getLeaf() instanceof MethodTree method) || method.getTypeParameters().isEmpty()) {
            return;
        }
        Set<String> used = typeVariables().stream()
                .filter(variable -> !(variable.asElement().getEnclosingElement() instanceof TypeElement))
                .map(variable -> variable.asElement().getSimpleName().toString())
                .collect(Collectors.toSet());
        List<? extends TypeParameterTree> needed = method.getTypeParameters().stream()
                .filter(parameter -> used.contains(parameter.getName().toString()))
                .toList();
        for (int i = 0; i < needed.size(); i++) {
            to.write(i == 0 ? "<" : ", ").carry(code.range(needed.get(i)));
        }
        to.write(needed.isEmpty() ? "" : "> ");
    }

    /** All type variables that stand in the fragment, in the types it is told and returns, and in their bounds. */
    private Set<TypeVariable> typeVariables() {
        Set<TypeVariable> found = new LinkedHashSet<>();
        flow.inputs().forEach(variable -> collect(variable.element().asType(), found, 0));
        flow.movedInside().forEach(variable -> collect(variable.element().asType(), found, 0));
        flow.outputs().forEach(variable -> collect(variable.element().asType(), found, 0));
        fragment.expression().flatMap(selected -> code.type(selected.path()))
                .ifPresent(type -> collect(type, found, 0));
        if (exits.kind() == Exits.Kind.RETURNED || exits.kind() == Exits.Kind.MARKED) {
            if (exits.jumps().get(0).target() instanceof MethodTree) {
                code.type(new TreePath(fragment.member(), ((MethodTree) exits.jumps().get(0).target()).getReturnType()))
                        .ifPresent(type -> collect(type, found, 0));
            }
            exits.valueType(code).ifPresent(type -> collect(type, found, 0));
        }
        if (exits.kind() == Exits.Kind.THROWN) {
            code.type(new TreePath(fragment.member(), Exits.returning(fragment).orElseThrow().getReturnType()))
                    .ifPresent(type -> collect(type, found, 0));
        }
        thrown().forEach(type -> collect(type, found, 0));
        for (TreePath part : fragment.parts()) {
            new TreePathScanner<Void, Void>() {
                @Override
                public Void visitIdentifier(IdentifierTree tree, Void unused) {
                    code.element(getCurrentPath())
                            .filter(element -> element.getKind() == ElementKind.TYPE_PARAMETER)
                            .ifPresent(element -> collect(element.asType(), found, 0));
                    return null;
                }
            }.scan(part, null);
        }
        return found;
    }

    private static void collect(TypeMirror type, Set<TypeVariable> found, int depth) {
        if (type == null || depth > 6) {
            return;
        }
        if (type instanceof TypeVariable variable) {
            if (found.add(variable)) {
                collect(variable.getUpperBound(), found, depth + 1);
            }
        } else if (type instanceof DeclaredType declared) {
            declared.getTypeArguments().forEach(argument -> collect(argument, found, depth + 1));
        } else if (type instanceof ArrayType array) {
            collect(array.getComponentType(), found, depth + 1);
        } else if (type instanceof WildcardType wildcard) {
            collect(wildcard.getExtendsBound(), found, depth + 1);
            collect(wildcard.getSuperBound(), found, depth + 1);
        } else if (type instanceof IntersectionType all) {
            all.getBounds().forEach(bound -> collect(bound, found, depth + 1));
        }
    }

    private List<TypeMirror> thrown() {
        return code.thrown(fragment.parts());
    }

    /** The types of the exceptions, as they are written; empty when one has no name. */
    Optional<List<String>> exceptions() {
        List<String> written = new ArrayList<>();
        for (TypeMirror type : thrown()) {
            Optional<String> text = writer.write(type);
            if (text.isEmpty()) {
                return Optional.empty();
            }
            written.add(text.get());
        }
        return Optional.of(written);
    }
}
