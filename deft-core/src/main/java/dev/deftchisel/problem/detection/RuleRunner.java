package dev.deftchisel.problem.detection;

import com.sun.source.tree.ClassTree;
import com.sun.source.tree.CompilationUnitTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import com.sun.source.util.TreePathScanner;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.compiler.CompilerError;
import dev.deftchisel.analysis.compiler.SyntaxCheck;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Finding;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Severity;
import dev.deftchisel.problem.Tag;
import dev.deftchisel.source.Range;
import dev.deftchisel.workspace.SourceFile;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** Leads rules over files, each file once. */
public final class RuleRunner {

    private static final RuleDescription UNSEEN = RuleDescription.of("unseen-type", Tag.ERROR,
            "A type that the build does not let this code see", Effect.OTHER);

    private static final Logger LOG = LoggerFactory.getLogger(RuleRunner.class);

    private final Rules rules;
    private final Severities severities;
    private final Repairs repairs;

    /**
     * @param rules      what to look for
     * @param severities how much each matters where
     * @param repairs    what mends errors of the compiler
     */
    public RuleRunner(Rules rules, Severities severities, Repairs repairs) {
        this.rules = rules;
        this.severities = severities;
        this.repairs = repairs;
    }

    /** The rules. */
    public Rules rules() {
        return rules;
    }

    /**
     * What is wrong with a file, in the order of the text.
     *
     * @param analysis in which the file is attributed as a whole
     */
    public List<Finding> context(Analysis analysis, Path file) {
        Optional<AttributedFile> code = analysis.code(file);
        if (code.isEmpty()) {
            return List.of();
        }
        List<CompilerError> errors = own(analysis, file);
        RuleContext context = new RuleContext(code.get(), !errors.isEmpty(), severities.settings(file));
        List<Finding> found = new ArrayList<>(outside(erroneous(code.get(), errors), context.isGenerated() ? List.of()
                : ruled(context)));
        Suppressions suppressions = new Suppressions(code.get(), rules);
        List<Finding> shown = new ArrayList<>(found.stream().filter(finding -> !suppressions.accept(finding)).toList());
        rules.named(Suppressions.IDLE)
                .ifPresent(about -> shown.addAll(suppressions.idle(about, severity(file, about), found)));
        MissingLibraries missing = new MissingLibraries(code.get(), analysis, errors);
        missing.finding().ifPresent(shown::add);
        unseen(analysis, file).forEach(shown::add);
        missing.others().stream().map(error -> repairs.finding(error, context, analysis)).forEach(shown::add);
        shown.removeIf(finding -> finding.severity() == Severity.OFF);
        shown.sort(Comparator.comparing((Finding finding) -> finding.range().start())
                .thenComparing(finding -> finding.about().id()));
        return List.copyOf(shown);
    }

    /** Types that the build does not let the file see, though they are there; the build has an error at each. */
    private static List<Finding> unseen(Analysis analysis, Path file) {
        return analysis.unseen(file, false).stream()
                .map(type -> new Finding(UNSEEN, Severity.ERROR, type.range(), type.sentence(), List.of())).toList();
    }

    /** The errors of a file, but for those that only follow from an exception whose type is not known. */
    private static List<CompilerError> own(Analysis analysis, Path file) {
        List<CompilerError> all = understood(analysis, file);
        return all.stream()
                .filter(error -> !error.code().contains(".unreported.exception") || all.stream()
                        .noneMatch(other -> other != error
                        && (other.code().contains(".cant.resolve") || other.code().contains(".cant.apply"))
                        && error.whole().encloses(other.range())))
                .toList();
    }

    /**
     * The errors of a file without those that the compiler finds in what the parser did not understand: in the same
     * body, or anywhere when the parser lost its way between the members.
     */
    private static List<CompilerError> understood(Analysis analysis, Path file) {
        // what is wrong with what is not in the text may be our own fault: it is good enough to compare with, not to be
        // shown
        List<CompilerError> all = analysis.errors(file).stream().filter(error -> !error.isOfAdded()).toList();
        Optional<AttributedFile> code = analysis.code(file);
        if (all.isEmpty() || code.isEmpty()) {
            return all;
        }
        SourceFile source = code.get().file();
        List<CompilerError> ofParser = new SyntaxCheck(file, source.module().java()).errors(source.content());
        Set<Range> bodies = new HashSet<>();
        boolean isLost = false;
        for (CompilerError error : ofParser) {
            Optional<Range> body = body(code.get(), error);
            body.ifPresent(bodies::add);
            isLost |= body.isEmpty();
        }
        boolean everywhere = isLost;
        Set<String> known = ofParser.stream().map(RuleRunner::placeAndCode).collect(Collectors.toSet());
        return ofParser.isEmpty() ? all : all.stream().filter(error -> known.contains(placeAndCode(error))
                || !everywhere && bodies.stream().noneMatch(range -> range.encloses(error.range()))).toList();
    }

    private static String placeAndCode(CompilerError error) {
        return error.range().start() + error.code();
    }

    private static Optional<Range> body(AttributedFile code, CompilerError error) {
        int at = Math.min(error.range().start(), Math.max(0, code.file().content().length() - 1));
        return code.around(new Range(at, at)).stream()
                .filter(path -> path.getLeaf() instanceof MethodTree method && method.getBody() != null
                        && code.find(method.getBody()).filter(range -> range.start() < at && range.end() > at + 1)
                        .isPresent())
                .map(path -> code.range(path.getLeaf())).findFirst();
    }

    private Severity severity(Path file, RuleDescription about) {
        return severities.of(file, about);
    }

    private List<Finding> ruled(RuleContext context) {
        AttributedFile code = context.code();
        Map<Tree.Kind, List<Rule>> byKind = new EnumMap<>(Tree.Kind.class);
        Map<Rule, Severity> weights = new HashMap<>();
        for (Rule rule : rules.all()) {
            RuleDescription about = rules.about(rule);
            Severity severity = severity(code.file().path(), about);
            if (severity != Severity.OFF && about.level() <= context.level()) {
                weights.put(rule, severity);
                rule.kinds().forEach(kind -> byKind.computeIfAbsent(kind, key -> new ArrayList<>()).add(rule));
            }
        }
        Set<Rule> broken = new HashSet<>();
        new TreePathScanner<Void, Void>() {
            @Override
            public Void visitCompilationUnit(CompilationUnitTree tree, Void unused) {
                show(tree, getCurrentPath());
                return super.visitCompilationUnit(tree, null);
            }

            @Override
            public Void scan(Tree tree, Void unused) {
                if ((tree instanceof MethodTree || tree instanceof ClassTree) && code.find(tree).isEmpty()) {
                    // made by the compiler, or added by an annotation: nobody has written it
                    return null;
                }
                // the parser makes up some while the code around is being typed
                if (tree != null && byKind.containsKey(tree.getKind()) && code.find(tree).isPresent()) {
                    show(tree, new TreePath(getCurrentPath(), tree));
                }
                return super.scan(tree, null);
            }

            private void show(Tree tree, TreePath path) {
                byKind.getOrDefault(tree.getKind(), List.of()).forEach(rule -> look(rule, path));
            }

            /** A rule that breaks down, which may be anyone's, must not keep the others from their work. */
            private void look(Rule rule, TreePath path) {
                try {
                    if (!broken.contains(rule)) {
                        context.look(rule, rules.about(rule), weights.get(rule), path);
                    }
                } catch (RuntimeException failed) {
                    broken.add(rule);
                    LOG.warn("the rule '{}' failed on {} and is left out there", rules.about(rule).id(), code.file()
                            .path(), failed);
                }
            }
        }.scan(new TreePath(code.unit()), null);
        return context.findings();
    }

    /** What is left when stretches of code are not trusted; what is about a whole class stays. */
    private static List<Finding> outside(List<Range> erroneous, List<Finding> found) {
        return erroneous.isEmpty() ? found : found.stream()
                .filter(finding -> erroneous.stream().noneMatch(range -> range.encloses(finding.range())))
                .toList();
    }

    /** The members with errors in them: there the compiler may have taken anything for something else. */
    private static List<Range> erroneous(AttributedFile code, List<CompilerError> errors) {
        if (errors.isEmpty()) {
            return List.of();
        }
        return errors.stream().flatMap(error -> {
            List<TreePath> around = code.around(new Range(error.range().start(), error.range().start()));
            return around.stream()
                    .filter(path -> path.getParentPath() != null && path.getParentPath().getLeaf() instanceof ClassTree)
                    .map(path -> code.range(path.getLeaf()))
                    .limit(1);
        }).toList();
    }
}
