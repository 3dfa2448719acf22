package dev.deftchisel.extract.flow;

import com.sun.source.tree.MethodTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.change.DuplicateClaim;
import dev.deftchisel.operation.NameProposals;
import dev.deftchisel.rewrite.TypeWriter;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.Tokens;
import dev.deftchisel.workspace.SourceFile;
import dev.deftchisel.workspace.Workspace;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import javax.lang.model.element.Element;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.type.TypeMirror;

/** The other places that do what a fragment does, and can call the same method. */
public final class Duplicates {

    /** So many values that differ make parameters; with more, the method would hardly say anything. */
    private static final int MOST_VARIED = 3;
    private static final String DOES_THE_SAME = " does the same and calls the method, too";
    /** So many tokens must be the same for each value that differs. */
    private static final int TOKENS_FOR_VARIED = 6;

    /**
     * A place that does the same.
     *
     * @param body the code there
     * @param like what of the fragment has become what there
     */
    public record Duplicate(AnalysedFragment body, TreeMatch.Match like) {

        public AttributedFile code() {
            return body.code();
        }

        public Fragment fragment() {
            return body.fragment();
        }

        /** What has become of an expression of the fragment. */
        Range of(TreePath expression) {
            return code().range(like.pairs().get(expression.getLeaf()).getLeaf());
        }
    }

    private final AttributedFile code;
    private final Fragment fragment;
    private final Flow flow;
    private final Exits exits;
    private final List<Duplicate> found = new ArrayList<>();
    private final List<TreePath> varied = new ArrayList<>();

    private Duplicates(AnalysedFragment body) {
        this.code = body.code();
        this.fragment = body.fragment();
        this.flow = body.flow();
        this.exits = body.exits();
    }

    /**
     * All that are found.
     *
     * @param regions     where to look, by file
     * @param canBeMethod whether nothing keeps a place from calling the method
     */
    public static Duplicates of(AnalysedFragment body, Map<AttributedFile, TreePath> regions,
            Predicate<Duplicate> canBeMethod) {
        AttributedFile code = body.code();
        Fragment fragment = body.fragment();
        Duplicates twins = new Duplicates(body);
        int most = Math.min(MOST_VARIED, twins.count(fragment.range()) / TOKENS_FOR_VARIED);
        regions.forEach((there, region) -> {
            for (Fragment other : fragment.others(there, region, there.file().path().equals(code.file().path()))) {
                boolean isFree = twins.found.stream().noneMatch(twin -> twin.code() == there && twin.fragment().range()
                        .overlaps(other.range()));
                Optional<TreeMatch.Match> like = isFree ? TreeMatch.of(code, fragment, there, other) : Optional.empty();
                like.map(found -> twin(there, other, found))
                        .filter(twin -> twins.needsNoMore(twin) && canBeMethod.test(twin))
                        .filter(twin -> twins.outermost(twin.like().varied()).size() <= most)
                        .ifPresent(twins::add);
            }
        });
        return twins;
    }

    private int count(Range range) {
        Tokens tokens = code.tokens();
        int count = 0;
        for (int i = tokens.code(tokens.at(range.start())); i < tokens.count()
                && tokens.start(i) < range.end(); i = tokens.code(i + 1)) {
            count++;
        }
        return count;
    }

    private void add(Duplicate twin) {
        List<TreePath> all = outermost(twin.like().varied());
        varied.clear();
        varied.addAll(all);
        found.add(twin);
    }

    /** The values that differ so far and these, but for those within another. */
    private List<TreePath> outermost(List<TreePath> more) {
        List<TreePath> all = new ArrayList<>(varied);
        more.stream().filter(path -> all.stream().noneMatch(known -> known.getLeaf() == path.getLeaf()))
                .forEach(all::add);
        return all.stream()
                .filter(path -> all.stream().noneMatch(other -> other.getLeaf() != path.getLeaf()
                        && code.range(other.getLeaf()).encloses(code.range(path.getLeaf()))))
                .sorted(Comparator.comparing((TreePath path) -> code.range(path.getLeaf()).start()))
                .toList();
    }

    private static Duplicate twin(AttributedFile there, Fragment other, TreeMatch.Match like) {
        return new Duplicate(AnalysedFragment.of(there, other), like);
    }

    /** Whether nothing goes in there, comes out, or leaves that does not here. */
    private boolean needsNoMore(Duplicate twin) {
        Map<Element, Element> names = twin.like().variables();
        List<Element> in = flow.inputs().stream().map(one -> names.get(one.element())).toList();
        List<Element> out = flow.outputs().stream().map(one -> names.get(one.element())).toList();
        boolean isFed = twin.body().flow().inputs().stream()
                .allMatch(one -> in.contains(one.element()) || !names.containsValue(one.element()));
        boolean isSameRecord = flow.outputs().size() < 2
                || out.equals(twin.body().flow().outputs().stream().map(one -> (Element) one.element()).toList());
        boolean isRead = isSameRecord && twin.body().flow().outputs().stream()
                .allMatch(one -> out.contains(one.element()));
        return isFed && isRead && twin.body().exits().objection().isEmpty() && twin.body().exits()
                .kind() == exits.kind()
                && isSameResult(twin) && !isJumpVaried(twin);
    }

    /** Whether what a jump passes has the same type, that of the method around where it leaves that. */
    private boolean isSameResult(Duplicate twin) {
        if (exits.kind() == Exits.Kind.THROWN) {
            return code.types().isSameType(returned(code, fragment), returned(twin.code(), twin.fragment()));
        } else if (exits.kind() == Exits.Kind.NONE || exits.jumps().get(0).value().isEmpty()) {
            return true;
        }
        Optional<TypeMirror> one = resultType(code, fragment, exits);
        Optional<TypeMirror> other = resultType(twin.code(), twin.fragment(), twin.body().exits());
        return one.isPresent() && other.isPresent() && code.types().isSameType(one.get(), other.get());
    }

    private static TypeMirror returned(AttributedFile in, Fragment of) {
        return ((ExecutableElement) in.element(of.member()).orElseThrow()).getReturnType();
    }

    private static Optional<TypeMirror> resultType(AttributedFile in, Fragment of, Exits its) {
        return its.jumps().get(0).target() instanceof MethodTree
                ? in.element(of.member()).map(method -> ((ExecutableElement) method).getReturnType())
                : its.valueType(in);
    }

    /** A jump that is written otherwise in the method has nothing that could vary. */
    private boolean isJumpVaried(Duplicate twin) {
        return exits.kind() != Exits.Kind.RETURNED && exits.jumps().stream().map(jump -> code.range(jump.tree()))
                .anyMatch(jump -> twin.like().varied().stream()
                        .anyMatch(path -> jump.encloses(code.range(path.getLeaf()))));
    }

    public List<Duplicate> all() {
        return List.copyOf(found);
    }

    /** What the method is told: the variables that are still needed, and a parameter for each value that differs. */
    public Optional<Inputs> inputs(TypeWriter writer) {
        List<Range> places = varied.stream().map(path -> code.range(path.getLeaf())).toList();
        List<Flow.Variable> needed = flow.inputs().stream()
                .filter(variable -> !variable.standsOnlyIn(places)).toList();
        Map<List<String>, List<TreePath>> groups = new LinkedHashMap<>();
        varied.forEach(path -> groups.computeIfAbsent(readings(path), reading -> new ArrayList<>()).add(path));
        List<Inputs.Varied> parameters = new ArrayList<>();
        Set<String> taken = new HashSet<>();
        for (List<TreePath> group : groups.values()) {
            Optional<String> type = code.type(group.get(0)).flatMap(writer::write);
            if (type.isEmpty()) {
                return Optional.empty();
            }
            String name = new NameProposals(code, taken).of(group.get(0)).get(0);
            taken.add(name);
            parameters.add(new Inputs.Varied(name, type.get(), group.stream().map(path -> code.range(path.getLeaf()))
                    .toList()));
        }
        return Optional.of(new Inputs(needed, parameters));
    }

    /** How a value reads here and in each twin; what reads alike everywhere is one parameter. */
    private List<String> readings(TreePath path) {
        List<String> readings = new ArrayList<>(List.of(code.text(path.getLeaf())));
        found.forEach(twin -> readings.add(twin.code().text(twin.of(path))));
        return readings;
    }

    /** What a twin passes. */
    public List<Range> arguments(Duplicate twin, Inputs inputs) {
        List<Range> arguments = new ArrayList<>();
        inputs.variables().forEach(variable -> twin.body().flow().variables().stream()
                .filter(its -> its.element().equals(twin.like().variables().get(variable.element())))
                .forEach(its -> arguments.add(twin.code().range(its.first().path().getLeaf()))));
        groups(inputs).forEach(path -> arguments.add(twin.of(path)));
        return arguments;
    }

    /** The first value of each parameter. */
    private List<TreePath> groups(Inputs inputs) {
        return inputs.varied().stream()
                .flatMap(value -> varied.stream().filter(path -> code.range(path.getLeaf())
                        .equals(value.places().get(0))))
                .toList();
    }

    /** What need not be written again for a twin. */
    public DuplicateClaim alike(Duplicate twin) {
        return new DuplicateClaim(twin.fragment().range(), fragment.range(), varied.stream()
                .map(path -> new DuplicateClaim.Varied(twin.of(path), code.range(path.getLeaf())))
                .toList(), true, Optional.of(code.file().path()));
    }

    /**
     * What the user should know: where the twins are, and which of their comments go.
     *
     * @param workspace shows where files are
     */
    public List<String> notes(Workspace workspace) {
        List<String> notes = new ArrayList<>();
        for (Duplicate twin : found) {
            SourceFile file = twin.code().file();
            Range range = twin.fragment().range();
            notes.add(place(workspace, file, range.start()) + DOES_THE_SAME);
            Tokens tokens = file.tokens();
            for (int i = tokens.at(range.start()); i < tokens.count() && tokens.start(i) < range.end(); i++) {
                if (tokens.kind(i).isComment()) {
                    notes.add("the comment '" + twin.code().shown(tokens.range(i), 50) + "' at "
                            + place(workspace, file, tokens.start(i)) + " goes with the duplicate");
                }
            }
        }
        return notes;
    }

    private static String place(Workspace workspace, SourceFile file, int offset) {
        return workspace.show(file.path()) + ":" + file.position(offset);
    }

    /** The same notes when a place turns out to mean something else. */
    public static List<String> without(List<String> notes, Workspace workspace, SourceFile file, int offset) {
        String place = place(workspace, file, offset);
        return notes.stream().map(note -> note.equals(place + DOES_THE_SAME)
                ? place + " reads alike, but cannot call the method"
                : note).toList();
    }
}
