package dev.deftchisel.guard;

import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.MemberReferenceTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.ParameterizedTypeTree;
import com.sun.source.tree.ReturnTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Calls;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.Role;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.change.Change;
import dev.deftchisel.change.Difference;
import dev.deftchisel.change.Mapping;
import dev.deftchisel.change.PlaceAfter;
import dev.deftchisel.source.Range;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import javax.lang.model.element.Element;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.Modifier;

/**
 * Compares objects that are made by a static method with those that a constructor made: the method does nothing but
 * pass what it gets to that constructor, and each place that made an object still does, by one or the other, with the
 * same arguments.
 */
final class CreationComparison {

    private final Analysis before;
    private final Analysis after;
    private final Mapping mapping;
    private final Map<SymbolKey, SymbolKey> factories;

    CreationComparison(Analysis before, Analysis after, Change change) {
        this.before = before;
        this.after = after;
        this.mapping = change.mapping();
        this.factories = change.meaning().factories();
    }

    List<Difference> differences() {
        List<Difference> differences = new ArrayList<>();
        factories.forEach((constructor, factory) -> {
            if (!passesOn(constructor, factory)) {
                before.declaration(constructor).ifPresent(declared -> differences.add(new Difference(
                        Difference.Kind.BINDING, declared.file(), declared.range(), Optional.empty(), Optional.empty(),
                        "the method would do something else than this constructor")));
            }
            before.uses(constructor).stream().filter(use -> use.role() != Role.DECLARATION && use.role() != Role.DOC)
                    .filter(use -> !isMade(use, constructor, factory))
                    .forEach(use -> differences.add(new Difference(Difference.Kind.BINDING, use.file(), use.range(),
                            Optional.empty(), Optional.empty(), "this would make another object")));
        });
        return differences;
    }

    /** Whether all that a static method does is {@code return new Berth(name, depth)}, with its parameters in order. */
    private boolean passesOn(SymbolKey constructor, SymbolKey factory) {
        Optional<Binding> declared = after.declaration(factory);
        Optional<AttributedFile> code = declared.flatMap(binding -> after.code(binding.file()));
        Optional<TreePath> path = code.flatMap(file -> file.declaration(declared.get().range()));
        if (path.isEmpty() || !(path.get().getLeaf() instanceof MethodTree method) || method.getBody() == null
                || method.getBody().getStatements().size() != 1
                || !(method.getBody().getStatements().get(0) instanceof ReturnTree result)
                || !(result.getExpression() instanceof NewClassTree made) || made.getClassBody() != null) {
            return false;
        }
        TreePath creation = new TreePath(new TreePath(new TreePath(path.get(), method.getBody()), result), made);
        ExecutableElement element = (ExecutableElement) code.get().element(path.get()).orElseThrow();
        boolean isSame = code.get().element(creation).map(code.get()::key).filter(mapping.key(constructor)::equals)
                .isPresent();
        return isSame && element.getModifiers().contains(Modifier.STATIC)
                && !element.getModifiers().contains(Modifier.SYNCHRONIZED)
                && made.getArguments().size() == element.getParameters().size()
                && IntStream.range(0, made.getArguments().size()).allMatch(i -> isParameter(code.get(), new TreePath(
                        creation, made.getArguments().get(i)), element.getParameters().get(i)));
    }

    private static boolean isParameter(AttributedFile code, TreePath argument, Element parameter) {
        return argument.getLeaf() instanceof IdentifierTree && code.element(argument).filter(parameter::equals)
                .isPresent();
    }

    private boolean isMade(Binding use, SymbolKey constructor, SymbolKey factory) {
        AttributedFile code = before.code(use.file()).orElseThrow();
        Optional<TreePath> call = code.call(use);
        Optional<TreePath> creation = call.filter(path -> path.getLeaf() instanceof NewClassTree);
        boolean hasBody = creation.filter(path -> ((NewClassTree) path.getLeaf()).getClassBody() != null).isPresent();
        Optional<Range> name = hasBody ? Optional.empty()
                : creation.map(path -> code.range(type((NewClassTree) path.getLeaf())))
                .or(() -> reference(code, use.range()).map(tree -> code.range(tree.getQualifierExpression())));
        if (name.isEmpty() || code.file().content().substring(name.get().start(), name.get().end()).isEmpty()) {
            // a call by another constructor, or by an anonymous class, which is compared as all names are
            return true;
        }
        List<PlaceAfter> sites = sites(use.file(), name.get());
        return !sites.isEmpty() && sites.stream().allMatch(site -> after.code(site.file())
                .filter(file -> isMadeAt(code, creation, file, site.range(), mapping.key(constructor), factory))
                .isPresent());
    }

    private static Tree type(NewClassTree tree) {
        return tree.getIdentifier() instanceof ParameterizedTypeTree generic ? generic.getType()
                : tree.getIdentifier();
    }

    private List<PlaceAfter> sites(Path file, Range name) {
        return mapping.isReplaced(file, name) ? mapping.copies(file, name)
                : List.of(new PlaceAfter(mapping.file(file), mapping.code(file, name)));
    }

    private static Optional<MemberReferenceTree> reference(AttributedFile code, Range use) {
        return code.around(use).stream().map(TreePath::getLeaf).filter(MemberReferenceTree.class::isInstance)
                .map(MemberReferenceTree.class::cast).findFirst();
    }

    /** Whether the type named at a place is that of an object made there, by the constructor or by the method. */
    private boolean isMadeAt(AttributedFile was, Optional<TreePath> creation, AttributedFile code, Range name,
            SymbolKey constructor, SymbolKey factory) {
        for (TreePath path : code.around(name)) {
            Tree tree = path.getLeaf();
            boolean isMaker = tree instanceof NewClassTree || tree instanceof MethodInvocationTree
                    || tree instanceof MemberReferenceTree;
            if (isMaker) {
                Optional<SymbolKey> made = code.element(path).map(code::key);
                boolean isRight = made.filter(key -> key.equals(constructor) || key.equals(factory)).isPresent();
                return isRight && (creation.isEmpty() ? tree instanceof MemberReferenceTree
                        : !(tree instanceof MemberReferenceTree) && passesTheSame(was, creation.get(), code, path));
            }
        }
        return false;
    }

    private boolean passesTheSame(AttributedFile was, TreePath creation, AttributedFile code, TreePath now) {
        List<? extends ExpressionTree> expected = Calls.arguments(creation.getLeaf());
        List<? extends ExpressionTree> actual = Calls.arguments(now.getLeaf());
        Path file = was.file().path();
        return expected.size() == actual.size() && IntStream.range(0, expected.size()).allMatch(i -> {
            Range argument = was.range(expected.get(i));
            Range place = code.range(actual.get(i));
            Range stays = mapping.code(file, argument);
            return mapping.isReplaced(file, argument) ? mapping.copies(file, argument).stream()
                    .anyMatch(copy -> copy.range().equals(place)) : stays.end() == place.end();
        });
    }
}
