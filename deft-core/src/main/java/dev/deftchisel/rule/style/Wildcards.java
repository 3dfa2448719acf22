package dev.deftchisel.rule.style;

import dev.deftchisel.problem.RuleContext;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import javax.lang.model.element.Element;
import javax.lang.model.element.TypeElement;

/**
 * Joins the imports of many types of a package to one on demand (JLS 7.5.2), and writes single ones where there are
 * few.
 *
 * @param from how many are many
 */
record Wildcards(int from) {

    /** The imports that are wanted instead; those with comments stay as they are. */
    List<ImportLine> apply(List<ImportLine> lines, RuleContext context) {
        List<ImportLine> wanted = new ArrayList<>(lines);
        Set<String> homes = lines.stream().filter(line -> !line.isStatic()).map(ImportLine::home)
                .collect(Collectors.toSet());
        for (String home : homes) {
            List<ImportLine> own = lines.stream().filter(line -> !line.isStatic() && line.home().equals(home)).toList();
            Set<String> types = types(home, own, context);
            boolean isPlain = own.stream().allMatch(line -> context.code().text(line.there().orElseThrow())
                    .equals(line.text()));
            boolean isMany = types.size() >= from;
            if (isPlain && !types.isEmpty() && !(isMany && isInDoubt(home, context))
                    && (isMany ? own.size() > 1 : own.stream().anyMatch(ImportLine::isOnDemand))) {
                wanted.removeAll(own);
                (isMany ? List.of(home + ".*") : types).forEach(name -> wanted.add(ImportLine.fresh(name)));
            }
        }
        return wanted;
    }

    /**
     * Whether the package has a type by a name that means another one in the file, so that it would be in doubt (JLS
     * 6.4.1).
     */
    private static boolean isInDoubt(String home, RuleContext context) {
        return context.names().used().stream()
                .filter(element -> element instanceof TypeElement && qualified(element)
                        .filter(name -> name.equals(home + "."
                        + element.getSimpleName())).isEmpty())
                .anyMatch(element -> context.code().elements()
                        .getTypeElement(home + "." + element.getSimpleName()) != null);
    }

    /** What is imported from a package or class, by qualified names: single ones and those that are used of all. */
    private static Set<String> types(String home, List<ImportLine> own, RuleContext context) {
        Set<String> names = new TreeSet<>();
        own.stream().filter(line -> !line.isOnDemand()).map(ImportLine::name).forEach(names::add);
        if (own.stream().anyMatch(ImportLine::isOnDemand)) {
            context.names().used().stream().map(Wildcards::qualified).flatMap(Optional::stream)
                    .filter(name -> name.startsWith(home + ".") && name.indexOf('.', home.length() + 1) < 0)
                    .forEach(names::add);
        }
        return names;
    }

    private static Optional<String> qualified(Element element) {
        return element instanceof TypeElement type ? Optional.of(type.getQualifiedName().toString()) : Optional.empty();
    }
}
