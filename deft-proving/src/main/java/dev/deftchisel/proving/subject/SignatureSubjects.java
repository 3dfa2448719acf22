package dev.deftchisel.proving.subject;

import com.sun.source.tree.MethodTree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.Role;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Place;
import dev.deftchisel.source.Range;
import dev.deftchisel.workspace.SourceFile;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/**
 * Random methods and constructors with a header that differs from theirs in one way: a parameter more or less, another
 * order, another name, another type. The answers say what takes it back, under {@link #BACK}, where that gives the
 * same text.
 */
public final class SignatureSubjects extends RandomFiles {

    /** Not asked by the operation: the header that takes a change back. */
    public static final String BACK = "back";

    private static final List<String> ADDED = List.of("int zqN = 3", "String zqN = \"zq\"", "Object zqN = null",
            "java.util.List<String> zqN = java.util.List.of()", "boolean zqN = 1 < 2");

    /** What is done to a header. */
    private enum Way { ADD, DROP, REORDER, RENAME_PARAMETER, RENAME, RETYPE, SEVERAL }

    /**
     * @param analyst of the untouched corpus
     * @param draw    which files, and how
     */
    public SignatureSubjects(Analyst analyst, Draw draw) {
        super(analyst, draw);
    }

    /** A parameter as written, with what calls pass for it if it is new. */
    private record Parameter(String type, String name, String value) {

        String typed() {
            return type + " " + name + value;
        }
    }

    @Override
    Optional<Subject> subject(int number, SourceFile file, Random random) {
        if (file.isModuleInfo()) {
            return Optional.empty();
        }
        Analysis analysis = analyst().analyse(Focus.whole(Set.of(file.path())));
        AttributedFile code = analysis.code(file.path()).orElseThrow();
        List<Binding> methods = analysis.bindings(file.path()).stream()
                .filter(binding -> binding.role() == Role.DECLARATION && binding.key() instanceof SymbolKey.Method)
                .filter(binding -> code.declaration(binding.range())
                        .filter(path -> path.getLeaf() instanceof MethodTree).isPresent())
                .toList();
        if (methods.isEmpty()) {
            return Optional.empty();
        }
        Binding method = methods.get(random.nextInt(methods.size()));
        TreePath path = code.declaration(method.range()).orElseThrow();
        return subject(number, new Place(file.path(), new Range(method.range().start(), method.range().start())),
                code, (MethodTree) path.getLeaf(), random);
    }

    private static Optional<Subject> subject(int number, Place place, AttributedFile code, MethodTree method,
            Random random) {
        List<Parameter> old = method.getParameters().stream().map(parameter -> parameter(code, parameter)).toList();
        Way way = Way.values()[random.nextInt(Way.values().length)];
        String name = name(code, method);
        String newName = way == Way.RENAME && method.getReturnType() != null ? "zq" + number + "m" : name;
        List<Parameter> changed = changed(old, way, number, random);
        // a value that may be another object each time is not left out again
        boolean isLiteral = changed.stream().noneMatch(parameter -> parameter.value().contains("of("));
        boolean hasWayBack = way == Way.ADD && isLiteral || way == Way.REORDER || way == Way.RENAME_PARAMETER
                || way == Way.RENAME;
        String back = hasWayBack ? header(name, old) : "";
        String to = header(newName, changed);
        return to.equals(header(name, old)) ? Optional.empty()
                : Optional.of(new Subject(number, "change-signature", place,
                        way.name().toLowerCase(Locale.ROOT).replace('_', ' '),
                        header(name, old) + " to " + to, Answers.of("to", to).and(BACK, back)));
    }

    private static String name(AttributedFile code, MethodTree method) {
        return code.text(code.name(method));
    }

    private static Parameter parameter(AttributedFile code, VariableTree parameter) {
        String type = code.text(new Range(code.range(parameter).start(), code.name(parameter).start())).strip()
                .replaceAll("\\s+", " ");
        return new Parameter(type, parameter.getName().toString(), "");
    }

    private static String header(String name, List<Parameter> parameters) {
        return name + "(" + parameters.stream().map(Parameter::typed).collect(Collectors.joining(", ")) + ")";
    }

    private static List<Parameter> changed(List<Parameter> old, Way way, int number, Random random) {
        List<Parameter> all = new ArrayList<>(old);
        boolean isOpen = all.isEmpty() || !all.get(all.size() - 1).type().endsWith("...");
        switch (way) {
            case ADD -> all.add(random.nextInt(all.size() + (isOpen ? 1 : 0)), added(number, random));
            case DROP -> {
                if (!all.isEmpty()) {
                    all.remove(random.nextInt(all.size()));
                }
            }
            case REORDER -> Collections.shuffle(all.subList(0, isOpen ? all.size() : all.size() - 1), random);
            case RENAME_PARAMETER -> any(all, random).ifPresent(i -> all.set(i,
                    new Parameter(all.get(i).type(), "zq" + number + "p", "")));
            case RETYPE -> any(all, random).ifPresent(i -> all.set(i,
                    new Parameter(wider(all.get(i).type()), all.get(i).name(), "")));
            case SEVERAL -> {
                Collections.shuffle(all.subList(0, isOpen ? all.size() : all.size() - 1), random);
                all.add(random.nextInt(all.size() + (isOpen ? 1 : 0)), added(number, random));
            }
            default -> {
                // the name of the method is another
            }
        }
        return all;
    }

    private static Optional<Integer> any(List<Parameter> all, Random random) {
        return all.isEmpty() ? Optional.empty()
                : IntStream.of(random.nextInt(all.size())).boxed().findFirst();
    }

    private static Parameter added(int number, Random random) {
        String[] parts = ADDED.get(random.nextInt(ADDED.size())).replace("zqN", "zq" + number + "p").split(" ", 2);
        int end = parts[1].indexOf(' ');
        return new Parameter(parts[0], parts[1].substring(0, end), parts[1].substring(end));
    }

    private static String wider(String type) {
        return switch (type) {
            case "int" -> "long";
            case "float" -> "double";
            case "char", "short", "byte" -> "int";
            case "String" -> "CharSequence";
            default -> type.endsWith("...") || type.length() < 3 ? type : "Object";
        };
    }

    @Override
    Optional<Place> barren(SourceFile file, Random random) {
        return ExpressionSubjects.keyword(file, random);
    }
}
