package dev.deftchisel.problem.detection;

import com.sun.source.tree.ClassTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.ImportTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.StatementTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import com.sun.source.util.TreePathScanner;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.compiler.CompilerError;
import dev.deftchisel.analysis.symbol.UnknownSupertypes;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Finding;
import dev.deftchisel.problem.Problem;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Severity;
import dev.deftchisel.problem.Tag;
import dev.deftchisel.source.Range;
import dev.deftchisel.workspace.Module;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.TypeKind;

/**
 * Tells the errors of a file that only follow from libraries which are not on this machine from all others, and makes
 * one problem of them. It is looked for only where the build is known to need more than was found; elsewhere an import
 * that means nothing is an error like any other.
 */
public final class MissingLibraries {

    /** The id of such a problem. */
    static final String ID = "missing-library";

    private static final int MOST_NAMED = 3;
    private static final RuleDescription ABOUT = RuleDescription.of(ID, Tag.ERROR,
            "A library that the build needs is not on this machine", Effect.OTHER);

    private final AttributedFile code;
    private final Analysis analysis;
    private final List<CompilerError> errors;
    /** Where the code names what is not known: imports, and packages in qualified names. */
    private final List<UnknownReference> unknown;
    private final Set<String> names = new HashSet<>();

    /**
     * Something that names what is not known.
     *
     * @param range all of it
     * @param name  of it, that which is shown
     */
    private record UnknownReference(Range range, Range name) {
    }

    MissingLibraries(AttributedFile code, Analysis analysis, List<CompilerError> errors) {
        this.code = code;
        this.analysis = analysis;
        this.errors = errors;
        Module module = code.file().module();
        boolean isIncomplete = !module.dependencies().missing().isEmpty() || !analysis.snapshot().workspace().gaps()
                .isEmpty();
        this.unknown = isIncomplete ? Stream.concat(unknownImports(), unknownPackages()).toList() : List.of();
    }

    private Stream<UnknownReference> unknownImports() {
        return code.unit().getImports().stream().map(ImportTree.class::cast).filter(this::isUnknown).map(line -> {
            String name = line.getQualifiedIdentifier().toString();
            names.add(name.substring(name.lastIndexOf('.') + 1));
            return new UnknownReference(code.range(line), code.range(line.getQualifiedIdentifier()));
        });
    }

    private boolean isUnknown(ImportTree line) {
        Range range = code.range(line);
        return errors.stream().anyMatch(error -> range.encloses(error.range())
                && (error.code().contains("doesnt.exist") || error.code().contains("cant.resolve")))
                && !isOurs(line.getQualifiedIdentifier().toString());
    }

    /** {@code org.slf4j.Logger} in code, where there is no such package. */
    private Stream<UnknownReference> unknownPackages() {
        return errors.stream().filter(error -> error.code().endsWith(".doesnt.exist")).flatMap(error ->
                code.around(new Range(error.range().start(), error.range().start())).stream().map(TreePath::getLeaf)
                        .filter(name -> name instanceof MemberSelectTree && code.range(name).end() == error.range()
                                .end())
                        .filter(name -> !isOurs(name.toString())).map(code::range).limit(1)
                        .map(range -> new UnknownReference(range, range)));
    }

    /** Whether a name begins with a package of the workspace. */
    private boolean isOurs(String name) {
        return analysis.snapshot().files().stream().map(file -> file.header().packageName())
                .anyMatch(home -> !home.isEmpty() && name.startsWith(home + "."));
    }

    /** The one problem, at the first import that means nothing; empty when there is none. */
    Optional<Finding> finding() {
        return unknown.isEmpty() ? Optional.empty()
                : Optional.of(new Finding(ABOUT, Severity.ERROR, unknown.get(0).name(), sentence(), List.of()));
    }

    private String sentence() {
        List<String> missing = code.file().module().dependencies().missing();
        if (missing.isEmpty()) {
            return "not all libraries of this build are known ('deft project' says why); errors that only follow from "
                    + "that are not shown";
        }
        String named = missing.stream().limit(MOST_NAMED).collect(Collectors.joining(", "))
                + (missing.size() > MOST_NAMED ? " and " + (missing.size() - MOST_NAMED) + " more" : "");
        return named + (missing.size() == 1 ? " is" : " are")
                + " not on this machine; errors that only follow from that are not shown"
                + " (--online fetches what is missing)";
    }

    /** The errors that are there for other reasons. */
    List<CompilerError> others() {
        return unknown.isEmpty() ? errors : errors.stream().filter(error -> !follows(error)).toList();
    }

    private boolean follows(CompilerError error) {
        if (!error.code().startsWith("compiler.err.")) {
            return false;
        }
        List<TreePath> around = code.around(new Range(error.range().start(), error.range().start()));
        if (unknown.stream().anyMatch(one -> one.range().encloses(error.range()))) {
            return true;
        }
        boolean isInherited = error.code().contains("does.not.override") || error.code().contains("cant.resolve")
                || error.code().contains("cant.apply") || error.code().contains("cant.ref.before");
        boolean isSelected = isInherited && around.stream().map(TreePath::getLeaf)
                .filter(MemberSelectTree.class::isInstance).findFirst()
                .flatMap(select -> around.stream().filter(path -> path.getLeaf() == select).findFirst())
                .flatMap(path -> code.type(new TreePath(path, ((MemberSelectTree) path.getLeaf()).getExpression())))
                .filter(DeclaredType.class::isInstance).map(type -> ((DeclaredType) type).asElement())
                .filter(TypeElement.class::isInstance).flatMap(type -> UnknownSupertypes.first((TypeElement) type))
                .isPresent();
        if (isSelected || isInherited && around.stream()
                .anyMatch(path -> path.getLeaf() instanceof ClassTree && hasUnknownAbove(path))) {
            return true;
        }
        return error.code().contains("cant.access") || around.stream()
                .filter(path -> path.getLeaf() instanceof StatementTree && !(path.getLeaf() instanceof ClassTree)
                        || path.getLeaf() instanceof MethodTree || path.getLeaf() instanceof VariableTree
                        || path.getLeaf() instanceof ClassTree)
                .findFirst()
                .filter(this::mentionsUnknown).isPresent();
    }

    private boolean hasUnknownAbove(TreePath type) {
        return code.element(type).filter(TypeElement.class::isInstance).map(TypeElement.class::cast)
                .flatMap(UnknownSupertypes::first).isPresent();
    }

    /** Whether a statement, or the head of a declaration, has something in it of which nothing is known. */
    private boolean mentionsUnknown(TreePath path) {
        Set<Boolean> found = new HashSet<>();
        new TreePathScanner<Void, Void>() {
            @Override
            public Void scan(Tree tree, Void unused) {
                if (tree instanceof ExpressionTree && found.isEmpty()) {
                    TreePath at = new TreePath(getCurrentPath(), tree);
                    boolean isNamed = tree instanceof IdentifierTree name && names.contains(name.getName().toString());
                    boolean isOfUnknown = code.type(at).filter(type -> type.getKind() == TypeKind.ERROR).isPresent()
                            && (names.contains("*") || isNamed || !(tree instanceof IdentifierTree));
                    if (isNamed || isOfUnknown && !isOwn(at)) {
                        found.add(true);
                    }
                }
                return found.isEmpty() ? super.scan(tree, null) : null;
            }
        }.scan(path, null);
        return !found.isEmpty();
    }

    /**
     * Whether an expression is what one of the errors is about in its own right: a name that no library would bring.
     */
    private boolean isOwn(TreePath path) {
        Range range = code.range(path.getLeaf());
        return errors.stream().anyMatch(error -> range.encloses(error.range()) && error.code().contains("cant.resolve")
                && !names.contains("*") && !names.contains(code.text(error.range())) && !error.message()
                .contains("symbol: class"));
    }

    /** The same list, in which a library that is missing in many files is one problem, at the first of them. */
    public static List<Problem> merged(List<Problem> problems) {
        Map<String, List<Problem>> bySentence = problems.stream().filter(problem -> problem.rule().equals(ID))
                .collect(Collectors.groupingBy(Problem::sentence, LinkedHashMap::new, Collectors.toList()));
        return problems.stream()
                .filter(problem -> !problem.rule().equals(ID) || bySentence.get(problem.sentence()).get(0) == problem)
                .map(problem -> {
                    int files = problem.rule().equals(ID) ? bySentence.get(problem.sentence()).size() : 1;
                    if (files == 1) {
                        return problem;
                    }
                    return problem.saying(problem.sentence() + "; the same in " + (files - 1) + " more file"
                            + (files == 2 ? "" : "s"));
                })
                .toList();
    }
}
