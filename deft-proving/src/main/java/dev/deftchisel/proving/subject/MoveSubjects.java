package dev.deftchisel.proving.subject;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.Role;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Place;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.outline.TypeOutline;
import dev.deftchisel.workspace.SourceFile;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Random;
import java.util.stream.Collectors;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.TypeElement;

/** Random types, each with a random place to go to. */
public final class MoveSubjects extends RandomFiles {

    /**
     * @param analyst of the untouched corpus
     * @param draw    which files, and how
     */
    public MoveSubjects(Analyst analyst, Draw draw) {
        super(analyst, draw);
    }

    /** Where a type goes. */
    private enum Way {
        OWN_FILE, PACKAGE, NEW_PACKAGE, TYPE
    }

    @Override
    Optional<Subject> subject(int number, SourceFile file, Random random) {
        if (file.isModuleInfo() || file.isPackageInfo()) {
            return Optional.empty();
        }
        Analysis analysis = analyst().analyse(Focus.whole(List.of(file.path())));
        List<Binding> types = analysis.bindings(file.path()).stream()
                .filter(binding -> binding.role() == Role.DECLARATION && binding.isNamed()
                        && binding.key() instanceof SymbolKey.Type && !isInner(analysis, binding)).toList();
        // most types of a file are nested ones
        Binding type = types.isEmpty() ? null : types.get(random.nextInt(types.size()));
        if (type == null) {
            return Optional.empty();
        }
        SymbolKey.Type key = (SymbolKey.Type) type.key();
        boolean isNested = !key.topLevel().equals(key.binaryName());
        Way way = Way.values()[random.nextInt(Way.values().length)];
        String to = to(way, number, random);
        boolean isThere = !isNested && (way == Way.OWN_FILE || to.equals(file.header().packageName()))
                || to.equals(key.topLevel()) && isNested;
        if (isThere) {
            return Optional.empty();
        }
        boolean opens = random.nextInt(4) > 0;
        return Optional.of(new Subject(number, "move-type", new Place(file.path(), new Range(type.range().start(),
                type.range().start())), (isNested ? "nested to " : "top-level to ") + way.name()
                .toLowerCase(Locale.ROOT).replace('_', ' '), "move " + key.binaryName() + " to " + to,
                Answers.of("to", to).and("access", opens ? "open" : "keep")));
    }

    /** Without the object around it, its class file is another. */
    private static boolean isInner(Analysis analysis, Binding type) {
        return analysis.known(type.key()).map(Analysis.KnownElement::element).filter(element -> element
                .getKind() == ElementKind.CLASS && element.getEnclosingElement() instanceof TypeElement
                && !element.getModifiers().contains(Modifier.STATIC)).isPresent();
    }

    private String to(Way way, int number, Random random) {
        List<String> packages = analyst().snapshot().files().stream().map(file -> file.header().packageName())
                .filter(name -> !name.isEmpty()).distinct().sorted().toList();
        List<String> types = analyst().snapshot().files().stream().filter(file -> !file.isModuleInfo())
                .flatMap(file -> file.outline().types().stream().filter(TypeOutline::isTopLevel)
                        .map(type -> file.outline().qualifiedName(type))).sorted().collect(Collectors.toList());
        return switch (way) {
            case OWN_FILE -> "";
            case PACKAGE -> packages.get(random.nextInt(packages.size()));
            case NEW_PACKAGE -> packages.get(random.nextInt(packages.size())) + ".zq" + number;
            case TYPE -> types.get(random.nextInt(types.size()));
        };
    }

    @Override
    Optional<Place> barren(SourceFile file, Random random) {
        int at = file.content().indexOf("\npackage ");
        return at < 0 ? Optional.empty() : Optional.of(new Place(file.path(), new Range(at + 2, at + 2)));
    }
}
