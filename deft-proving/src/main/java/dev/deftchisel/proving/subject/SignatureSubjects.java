package dev.deftchisel.proving.subject;

import com.sun.source.tree.ClassTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.Role;
import dev.deftchisel.analysis.symbol.Supertypes;
import dev.deftchisel.analysis.symbol.Symbol;
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
import java.util.stream.Stream;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.Modifier;

/**
 * Random methods, constructors and records with a header that differs from theirs in one way: a parameter more or less,
 * another order, another name, another type, any number, open to all; or the object becomes a parameter, and back. None
 * overrides a method of a library or may be found by its annotations, and only what no body names is left
 * out or gets another type, since all others must be refused. The answers say what takes it back, under {@link #BACK},
 * where that gives the same text.
 */
public final class SignatureSubjects extends RandomFiles {

    /** Not asked by the operation: the header that takes a change back. */
    public static final String BACK = "back";

    private static final List<String> ADDED = List.of("int zqN = 3", "String zqN = \"zq\"", "Object zqN = null",
            "java.util.List<String> zqN = java.util.List.of()", "boolean zqN = 1 < 2");

    /** What is done to a header. */
    private enum Way {
        ADD, DROP, REORDER, RENAME_PARAMETER, RENAME, RETYPE, SEVERAL, ANY_NUMBER, OPEN, STATIC, INSTANCE
    }

    /** By others a framework may find the method, and call it with what it has. */
    private static final Set<String> NOT_CALLED_BY = Set.of("Override", "Deprecated", "SuppressWarnings",
            "SafeVarargs", "FunctionalInterface");

    /** So many headers of a file are looked at for one that can be changed in the drawn way. */
    private static final int MOST_TRIES = 20;

    /**
     * @param analyst of the untouched corpus
     * @param draw    which files, and how
     */
    public SignatureSubjects(Analyst analyst, Draw draw) {
        super(analyst, draw);
    }

    /** A parameter as written, with what calls pass for it if it is new, and whether a body names it. */
    private record Parameter(String type, String name, String value, boolean isUsed) {

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
        List<Binding> headers = analysis.bindings(file.path()).stream()
                .filter(binding -> binding.role() == Role.DECLARATION && code.declaration(binding.range())
                        .filter(path -> isHeader(analysis, code, path, binding)).isPresent())
                .toList();
        Way way = Way.values()[random.nextInt(Way.values().length)];
        List<Binding> drawn = new ArrayList<>(headers);
        Collections.shuffle(drawn, random);
        return drawn.stream().limit(MOST_TRIES).map(header -> {
            TreePath path = code.declaration(header.range()).orElseThrow();
            Place place = new Place(file.path(), new Range(header.range().start(), header.range().start()));
            List<Parameter> old = trees(path).stream().map(parameter -> parameter(analysis, code, path, parameter))
                    .toList();
            return subject(number, place, new Header(code.text(header.range()), old,
                    path.getLeaf() instanceof MethodTree method && method.getReturnType() != null,
                    code.element(path).orElseThrow().getModifiers(), code.element(path).orElseThrow()
                    .getEnclosingElement().getSimpleName().toString()), way, random);
        }).flatMap(Optional::stream).findFirst();
    }

    /** A method or constructor that overrides nothing of a library, or a record. */
    private static boolean isHeader(Analysis analysis, AttributedFile code, TreePath path, Binding name) {
        if (path.getLeaf() instanceof ClassTree type) {
            return type.getKind() == Tree.Kind.RECORD && code.findName(type).filter(name.range()::equals).isPresent();
        }
        return path.getLeaf() instanceof MethodTree && name.key() instanceof SymbolKey.Method
                && code.element(path).orElse(null) instanceof ExecutableElement method
                && trees(path).isEmpty() == method.getParameters().isEmpty()
                // a compact constructor has parameters that stand nowhere (JLS 8.10.4.2)
                && trees(path).stream().allMatch(tree -> code.find(tree).isPresent())
                && method.getAnnotationMirrors().stream().allMatch(one -> NOT_CALLED_BY.contains(one
                        .getAnnotationType().asElement().getSimpleName().toString()))
                && Supertypes.overridden(method, code.elements(), code.types()).stream()
                .allMatch(above -> analysis.symbol(code.key(above)).filter(Symbol::isSource).isPresent());
    }

    private static List<? extends VariableTree> trees(TreePath path) {
        return path.getLeaf() instanceof MethodTree method ? method.getParameters()
                : ((ClassTree) path.getLeaf()).getMembers().stream().filter(VariableTree.class::isInstance)
                .map(VariableTree.class::cast)
                .filter(field -> !field.getModifiers().getFlags().contains(Modifier.STATIC)).toList();
    }

    /** A header, and whether it may get another name. */
    private record Header(String name, List<Parameter> parameters, boolean isMethod, Set<Modifier> modifiers,
            String type) {

        /** The header with the object as a parameter, or the other way round; as it is where that cannot be. */
        Optional<String> moved(Way way, int number) {
            boolean isStatic = modifiers.contains(Modifier.STATIC);
            if (way == Way.STATIC && isMethod && !isStatic) {
                List<Parameter> more = new ArrayList<>(parameters);
                more.add(0, new Parameter(type, "zq" + number + "o", " = this", true));
                return Optional.of("static " + header(name, more));
            }
            boolean isFirst = way == Way.INSTANCE && isMethod && isStatic && !parameters.isEmpty()
                    && parameters.get(0).type().equals(type);
            return !isFirst ? Optional.empty() : Optional.of(header(name, Stream.concat(Stream.of(new Parameter(type,
                    "this", "", true)), parameters.stream().skip(1)).toList()));
        }


        /** Whether it can be opened to all that see its type. */
        boolean isClosed() {
            return isMethod && (modifiers.contains(Modifier.PRIVATE) || modifiers.contains(Modifier.PROTECTED));
        }
    }

    private static Optional<Subject> subject(int number, Place place, Header header, Way way, Random random) {
        List<Parameter> old = header.parameters();
        String name = header.name();
        String newName = way == Way.RENAME && header.isMethod() ? "zq" + number + "m" : name;
        List<Parameter> changed = changed(old, way, number, random);
        // a value that may be another object each time is not left out again
        boolean isLiteral = changed.stream().noneMatch(parameter -> parameter.value().contains("of("));
        boolean hasWayBack = way == Way.ADD && isLiteral || way == Way.REORDER || way == Way.RENAME_PARAMETER
                || way == Way.RENAME;
        String back = hasWayBack ? header(name, old) : "";
        String to = header.moved(way, number).orElse((way == Way.OPEN && header.isClosed() ? "public " : "")
                + header(newName, changed));
        return to.equals(header(name, old)) ? Optional.empty()
                : Optional.of(new Subject(number, "change-signature", place,
                        way.name().toLowerCase(Locale.ROOT).replace('_', ' '),
                        header(name, old) + " to " + to, Answers.of("to", to).and(BACK, back)));
    }

    private static Parameter parameter(Analysis analysis, AttributedFile code, TreePath header,
            VariableTree parameter) {
        String type = code.text(new Range(code.range(parameter).start(), code.name(parameter).start())).strip()
                .replaceAll("\\s+", " ").replaceFirst("^(private |final )+", "");
        boolean isUsed = code.element(new TreePath(header, parameter)).filter(element -> analysis
                .uses(code.key(element)).size() > 1).isPresent();
        return new Parameter(type, parameter.getName().toString(), "", isUsed);
    }

    private static String header(String name, List<Parameter> parameters) {
        return name + "(" + parameters.stream().map(Parameter::typed).collect(Collectors.joining(", ")) + ")";
    }

    private static List<Parameter> changed(List<Parameter> old, Way way, int number, Random random) {
        List<Parameter> all = new ArrayList<>(old);
        boolean isOpen = all.isEmpty() || !all.get(all.size() - 1).type().endsWith("...");
        switch (way) {
            case ADD -> all.add(random.nextInt(all.size() + (isOpen ? 1 : 0)), added(number, random));
            case DROP -> any(all, random).filter(i -> !all.get(i).isUsed()).ifPresent(i -> all.remove((int) i));
            case REORDER -> Collections.shuffle(all.subList(0, isOpen ? all.size() : all.size() - 1), random);
            case RENAME_PARAMETER -> any(all, random).ifPresent(i -> all.set(i,
                    new Parameter(all.get(i).type(), "zq" + number + "p", "", true)));
            case RETYPE -> any(all, random).filter(i -> !all.get(i).isUsed()).ifPresent(i -> all.set(i,
                    new Parameter(wider(all.get(i).type()), all.get(i).name(), "", false)));
            case SEVERAL -> {
                Collections.shuffle(all.subList(0, isOpen ? all.size() : all.size() - 1), random);
                all.add(random.nextInt(all.size() + (isOpen ? 1 : 0)), added(number, random));
            }
            case ANY_NUMBER -> {
                if (!all.isEmpty()) {
                    Parameter last = all.remove(all.size() - 1);
                    String type = last.type().endsWith("...") ? last.type().replace("...", "[]")
                            : last.type().replaceFirst("\\[\\]$", "...");
                    all.add(new Parameter(type, last.name(), "", last.isUsed()));
                }
            }
            default -> {
                // the name of the method is another, or who sees it
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
        return new Parameter(parts[0], parts[1].substring(0, end), parts[1].substring(end), false);
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
        // anywhere in a header will do, so that few keywords are left where there is nothing
        int at = file.content().indexOf("\npackage ");
        return at < 0 ? Optional.empty() : Optional.of(new Place(file.path(), new Range(at + 2, at + 2)));
    }
}
