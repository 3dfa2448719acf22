package dev.deftchisel.rename;

import com.sun.source.tree.AnnotationTree;
import com.sun.source.tree.ClassTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.ModifiersTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.change.Edit;
import dev.deftchisel.external.ExternalName;
import dev.deftchisel.external.ExternalNames;
import dev.deftchisel.external.NamedElement;
import dev.deftchisel.rewrite.Layout;
import dev.deftchisel.rewrite.NewCode;
import dev.deftchisel.rewrite.TypeWriter;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.ServiceLoader;
import javax.lang.model.element.Element;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.TypeElement;

/** Finds the names by which frameworks know what is renamed, and writes what keeps them. */
public final class KeptNames {

    private final Analysis before;
    private final boolean isKeeping;
    private final List<ExternalNames> services = services();
    private final Map<Path, List<Edit>> edits = new LinkedHashMap<>();
    private final Map<Path, TypeWriter> writers = new HashMap<>();
    private final List<String> notes = new ArrayList<>();

    /** @param isKeeping whether they are to stay as they are where that can be written */
    KeptNames(Analysis before, boolean isKeeping) {
        this.before = before;
        this.isKeeping = isKeeping;
    }

    /** Looks at all that gets another name. */
    KeptNames read(Collection<SymbolKey> renamed) {
        // a field before its accessors: where several stand for one property, the annotation goes to what stands in the
        // text
        Map<ExternalName, Analysis.KnownElement> found = new LinkedHashMap<>();
        Map<ExternalName, Binding> places = new HashMap<>();
        renamed.stream().sorted((one, other) -> Boolean.compare(other instanceof SymbolKey.Field,
                one instanceof SymbolKey.Field))
                .forEach(key -> before.known(key).ifPresent(known -> names(known.element()).forEach(name -> {
                    found.putIfAbsent(name, known);
                    place(key, known).ifPresent(place -> places.putIfAbsent(name, place));
                })));
        found.forEach((name, known) -> {
            boolean isKept = isKeeping && name.keeper().isPresent() && Optional.ofNullable(places.get(name))
                    .filter(place -> keep(name, name.keeper().get(), known, place)).isPresent();
            notes.add("'" + name.name() + "' is also " + article(name.what()) + name.what()
                    + (isKept ? "; it stays one, by an annotation"
                    : name.keeper().isPresent() && !isKeeping ? ", which changes along"
                    : ", which changes along; nothing written here can keep it"));
        });
        writers.forEach((path, writer) -> edits.get(path).addAll(writer.imports()));
        return this;
    }

    private static String article(String what) {
        return what.matches("(?:[aeiou]|XML).*") ? "an " : "a ";
    }

    /** Whether a framework knows anything by the name of a symbol. */
    public static boolean areThere(Analysis analysis, SymbolKey symbol) {
        return analysis.known(symbol).map(known -> new NamedElement(known.element()))
                .filter(declared -> services().stream().anyMatch(service -> !service.of(declared).isEmpty()))
                .isPresent();
    }

    private static List<ExternalNames> services() {
        return ServiceLoader.load(ExternalNames.class, KeptNames.class.getClassLoader()).stream()
                .map(ServiceLoader.Provider::get).toList();
    }

    private List<ExternalName> names(Element element) {
        return services.stream().flatMap(service -> service.of(new NamedElement(element)).stream()).toList();
    }

    /** Where a declaration stands; for a member that an annotation adds, where what it follows from does. */
    private Optional<Binding> place(SymbolKey key, Analysis.KnownElement known) {
        return before.declaration(key).or(() -> new NamedElement(known.element()).siblings().stream()
                .filter(one -> one.getKind() == ElementKind.FIELD).findFirst()
                .flatMap(field -> before.declaration(before.key(field))));
    }

    private boolean keep(ExternalName name, ExternalName.Keeper keeper, Analysis.KnownElement known, Binding place) {
        Optional<AttributedFile> code = before.code(place.file());
        Optional<TreePath> path = code.flatMap(all -> all.declaration(place.range()));
        TypeElement annotation = known.elements().getTypeElement(keeper.annotation());
        if (path.isEmpty() || annotation == null) {
            return false;
        }
        Optional<Edit> edit = keeper.isThere() ? completed(code.get(), path.get(), name, keeper)
                : Optional.of(added(code.get(), path.get(), name, keeper, annotation));
        edit.ifPresent(one -> edits.computeIfAbsent(place.file(), file -> new ArrayList<>()).add(one));
        return edit.isPresent();
    }

    private static String literal(ExternalName name) {
        return '"' + name.name() + '"';
    }

    private Edit added(AttributedFile code, TreePath path, ExternalName name, ExternalName.Keeper keeper,
            TypeElement annotation) {
        edits.computeIfAbsent(code.file().path(), file -> new ArrayList<>());
        String written = "@" + writers.computeIfAbsent(code.file().path(), file -> new TypeWriter(code))
                .name(annotation) + "("
                + (keeper.attribute().equals("value") ? "" : keeper.attribute() + " = ") + literal(name) + ")";
        int start = code.range(path.getLeaf()).start();
        String content = code.file().content();
        String indent = Layout.indentOf(code.file(), start);
        int line = content.lastIndexOf('\n', start - 1) + 1;
        if (line + indent.length() == start) {
            return new NewCode(code.file()).write(indent + written + Layout.of(code.file()).lineEnd()).at(line);
        }
        // not where the name itself may be written anew
        return Character.isWhitespace(content.charAt(start - 1)) ? new NewCode(code.file()).write(" " + written)
                .at(start - 1)
                : new NewCode(code.file()).write(written + " ").at(start);
    }

    /** The annotation that is there, with the name. */
    private static Optional<Edit> completed(AttributedFile code, TreePath path, ExternalName name,
            ExternalName.Keeper keeper) {
        Tree declared = path.getLeaf();
        ModifiersTree modifiers;
        if (declared instanceof VariableTree variable) {
            modifiers = variable.getModifiers();
        } else if (declared instanceof MethodTree method) {
            modifiers = method.getModifiers();
        } else {
            modifiers = ((ClassTree) declared).getModifiers();
        }
        for (AnnotationTree annotation : modifiers.getAnnotations()) {
            TreePath type = new TreePath(new TreePath(new TreePath(path, modifiers), annotation),
                    annotation.getAnnotationType());
            boolean isIt = code.element(type).filter(TypeElement.class::isInstance).map(TypeElement.class::cast)
                    .filter(element -> element.getQualifiedName().contentEquals(keeper.annotation())).isPresent();
            if (isIt) {
                int behind = code.range(annotation.getAnnotationType()).end();
                int open = code.file().content().indexOf('(', behind);
                boolean hasParentheses = open >= 0 && open < code.range(annotation).end();
                boolean isAlone = annotation.getArguments().isEmpty();
                String pair = (isAlone && keeper.attribute().equals("value") ? "" : keeper.attribute() + " = ")
                        + literal(name);
                return Optional.of(hasParentheses ? new NewCode(code.file()).write(pair + (isAlone ? "" : ", "))
                        .at(open + 1)
                        : new NewCode(code.file()).write("(" + pair + ")").at(behind));
            }
        }
        return Optional.empty();
    }

    /** What keeps them, by file. */
    Map<Path, List<Edit>> edits() {
        return edits;
    }

    /** What is said about them, one line each. */
    List<String> notes() {
        return notes;
    }
}
