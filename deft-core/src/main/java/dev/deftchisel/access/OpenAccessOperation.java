package dev.deftchisel.access;

import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.CallCandidates;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.analysis.symbol.AccessLevel;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.change.Change;
import dev.deftchisel.change.SymbolEffects;
import dev.deftchisel.operation.AccessQuestion;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Offer;
import dev.deftchisel.operation.Operation;
import dev.deftchisel.operation.Plan;
import dev.deftchisel.operation.Question;
import dev.deftchisel.operation.ResolvedPlace;
import dev.deftchisel.rewrite.EditsByFile;
import dev.deftchisel.rewrite.Opening;
import dev.deftchisel.source.Range;
import dev.deftchisel.workspace.SourceFile;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import javax.lang.model.element.Element;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.DeclaredType;

/**
 * Opens a member or type to code that uses it and may not: as far as that is needed, or as far as is said (JLS 6.6).
 */
public final class OpenAccessOperation implements Operation {

    private static final Question QUESTION = AccessQuestion.asNeeded("whoever uses it here",
            List.of(AccessLevel.PACKAGE, AccessLevel.PROTECTED, AccessLevel.PUBLIC));

    @Override
    public String id() {
        return "open-access";
    }

    @Override
    public String summary() {
        return "Open the access of a member or type to the code that uses it";
    }

    @Override
    public List<Question> questions() {
        return List.of(QUESTION);
    }

    @Override
    public Optional<Offer> offer(ResolvedPlace resolved) {
        return closed(resolved).map(closed -> new Offer(id(), "open '" + closed.name() + "' to " + closed.needed()
                .words(),
                Offer.Kind.FIX, resolved.place().selection(), List.of(QUESTION)));
    }

    /**
     * What is used at a place where it may not.
     *
     * @param needed how open it must be for that
     */
    private record Closed(SymbolKey key, String name, AccessLevel needed) {
    }

    private static Optional<Closed> closed(ResolvedPlace resolved) {
        Optional<AttributedFile> code = resolved.analysis().code(resolved.file().path());
        return code.flatMap(known -> known.around(resolved.place().selection()).stream()
                .filter(path -> isNamed(path, known, resolved.place().selection()))
                .flatMap(path -> closed(path, known).stream())
                .findFirst());
    }

    /** Whether the place is at the name that a tree selects, or at the type of which it makes an object. */
    private static boolean isNamed(TreePath path, AttributedFile code, Range place) {
        if (path.getLeaf() instanceof NewClassTree made) {
            // the body of an enum constant makes an object without saying of what
            return code.find(made.getIdentifier()).filter(range -> range.touches(place.start())).isPresent();
        }
        return path.getLeaf() instanceof IdentifierTree
                || path.getLeaf() instanceof MemberSelectTree select
                && code.find(select.getExpression()).filter(range -> place.start() > range.end()).isPresent();
    }

    private static Optional<Closed> closed(TreePath path, AttributedFile code) {
        Optional<TypeElement> user = code.enclosingType(path);
        if (user.isEmpty()) {
            return Optional.empty();
        }
        return used(path, code)
                .filter(element -> AccessLevel.of(element.getModifiers())
                        .compareTo(AccessLevel.between(element, user.get())) < 0
                        && !isSeenFromBelow(element, path, user.get(), code))
                .map(element -> new Closed(code.key(element), name(element), AccessLevel.between(element, user.get())));
    }

    /** Whether it is protected, and used in a subclass as that may (JLS 6.6.2). */
    private static boolean isSeenFromBelow(Element element, TreePath path, TypeElement user, AttributedFile code) {
        boolean isInherited = AccessLevel.of(element.getModifiers()) == AccessLevel.PROTECTED
                && element.getEnclosingElement() instanceof TypeElement owner
                && code.isKind(user.asType(), owner.asType());
        return isInherited && (element.getModifiers().contains(Modifier.STATIC)
                || !(path.getLeaf() instanceof MemberSelectTree select)
                || code.text(select.getExpression()).endsWith("super")
                || code.type(new TreePath(path, select.getExpression()))
                .filter(type -> code.isKind(type, user.asType())).isPresent());
    }

    private static String name(Element element) {
        return element.getKind() == ElementKind.CONSTRUCTOR ? element.getEnclosingElement().getSimpleName().toString()
                : element.getSimpleName().toString();
    }

    /**
     * What the name stands for; the compiler does not always show what must not be used, so it is looked up where it
     * should be.
     */
    private static Optional<Element> used(TreePath path, AttributedFile code) {
        if (path.getLeaf() instanceof NewClassTree made) {
            return owner(new TreePath(path, made.getIdentifier()), code).flatMap(type -> members(type)
                    .filter(member -> member.getKind() == ElementKind.CONSTRUCTOR && takes(member, made.getArguments()))
                    .findFirst());
        }
        if (path.getLeaf() instanceof MemberSelectTree select) {
            Optional<Element> member = owner(new TreePath(path, select.getExpression()), code).flatMap(type ->
                    Stream.iterate(Optional.of(type), Optional::isPresent,
                            one -> one.flatMap(OpenAccessOperation::above))
                            .flatMap(one -> members(one.orElseThrow()))
                            .filter(one -> one.getSimpleName().equals(select.getIdentifier()) && isCalled(one, path))
                            .findFirst());
            return member.or(() -> Optional.ofNullable(code.elements().getTypeElement(select.toString())));
        }
        String name = path.getLeaf().toString();
        return code.unit().getImports().stream().map(line -> line.getQualifiedIdentifier().toString())
                .filter(line -> line.endsWith("." + name))
                .map(code.elements()::getTypeElement).filter(Objects::nonNull).map(Element.class::cast).findFirst();
    }

    private static Optional<TypeElement> above(TypeElement type) {
        return type.getSuperclass() instanceof DeclaredType above ? Optional.of((TypeElement) above.asElement())
                : Optional.empty();
    }

    private static Stream<? extends Element> members(TypeElement type) {
        return type.getEnclosedElements().stream();
    }

    /** Whether it is a method exactly if it is called, and takes as much as it is given. */
    private static boolean isCalled(Element member, TreePath name) {
        Tree parent = name.getParentPath().getLeaf();
        boolean isCall = parent instanceof MethodInvocationTree call && call.getMethodSelect() == name.getLeaf();
        return isCall ? takes(member, ((MethodInvocationTree) parent).getArguments())
                : !(member instanceof ExecutableElement);
    }

    private static boolean takes(Element member, List<? extends Tree> arguments) {
        return member instanceof ExecutableElement method && CallCandidates.takes(method, arguments.size());
    }

    private static Optional<TypeElement> owner(TreePath path, AttributedFile code) {
        return code.type(path).filter(type -> type instanceof DeclaredType)
                .map(type -> (TypeElement) ((DeclaredType) type).asElement());
    }

    @Override
    public Plan plan(ResolvedPlace resolved, Answers answers, Analyst analyst) {
        Optional<Closed> found = closed(resolved);
        Optional<SourceFile> home = found.flatMap(closed -> analyst.declaring(closed.key()));
        if (found.isEmpty() || home.isEmpty()) {
            return Plan.refused(resolved, found.isEmpty() ? "nothing is used here that must not be"
                    : "'" + found.get().name() + "' is not declared in the workspace");
        }
        Closed closed = found.get();
        Set<String> names = Set.of(closed.name());
        Analysis before = analyst.analyse(Focus.on(analyst.snapshot().pathsMentioning(names), names)
                .andFiles(Set.of(home.get().path(), resolved.file().path())));
        Opening opening = new Opening(before);
        Optional<String> objection = opening.open(closed.key(), AccessQuestion.said(answers).orElse(closed.needed()));
        if (objection.isPresent()) {
            return Plan.refused(resolved, "'" + closed.name() + "' " + objection.get());
        }
        EditsByFile edits = new EditsByFile(before);
        opening.write(edits);
        Change change = edits.change("open '" + closed.name() + "'", SymbolEffects.same().opening(opening.opened()),
                opening.notes());
        return new Plan.Ready(change, before);
    }
}
