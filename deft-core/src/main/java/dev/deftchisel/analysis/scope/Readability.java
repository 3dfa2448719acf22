package dev.deftchisel.analysis.scope;

import dev.deftchisel.workspace.Module;
import dev.deftchisel.workspace.SourceFile;
import dev.deftchisel.workspace.SourceRoot;
import java.lang.module.ModuleDescriptor;
import java.lang.module.ModuleFinder;
import java.lang.module.ModuleReference;
import java.util.ArrayDeque;
import java.util.Collection;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.ModuleElement;
import javax.lang.model.element.TypeElement;
import javax.lang.model.util.Elements;

/**
 * Which types main code may name by the module declaration beside it (JLS 7.3). All code is analysed in the unnamed
 * module, which reads everything. What modules of libraries require and export is not looked at: code that requires one
 * of them may name any type of the platform.
 */
public final class Readability {

    private final Map<Module, ModuleDeclaration> declared = new HashMap<>();
    private final Map<String, Set<String>> readable = new HashMap<>();
    private final Elements elements;

    public Readability(Collection<SourceFile> files, Elements elements) {
        this.elements = elements;
        files.stream().filter(file -> file.isModuleInfo() && file.root().use() == SourceRoot.Use.MAIN)
                .forEach(file -> declared.putIfAbsent(file.module(), ModuleDeclaration.of(file)));
    }

    /** Why main code of a module may not name a type that another one declares. */
    Optional<String> objection(Module from, String type, Module home) {
        ModuleDeclaration own = declared.get(from);
        ModuleDeclaration other = declared.get(home);
        if (own == null || other == null || from.equals(home)) {
            return Optional.empty();
        }
        String packageName = type.substring(0, Math.max(0, type.lastIndexOf('.')));
        if (!readable(own).contains(other.name())) {
            return Optional.of(type + " is in the module " + other.name() + ", which " + own.name()
                    + " does not require");
        }
        return other.exports(packageName, own.name()) ? Optional.empty()
                : Optional.of(type + " is in a package that the module " + other.name() + " does not export to "
                        + own.name());
    }

    /** Why main code of a module may not name a type of the platform. */
    Optional<String> objection(Module from, String type) {
        ModuleDeclaration own = declared.get(from);
        TypeElement element = own == null ? null : elements.getTypeElement(type);
        ModuleElement home = element == null ? null : elements.getModuleOf(element);
        if (home == null || home.isUnnamed() || readable(own).contains(home.getQualifiedName().toString())
                || readable(own).stream().anyMatch(name -> !isKnown(name))) {
            return Optional.empty();
        }
        return Optional.of(type + " is in the module " + home.getQualifiedName() + ", which " + own.name()
                + " does not require");
    }

    private boolean isKnown(String module) {
        return ModuleFinder.ofSystem().find(module).isPresent() || declared.values().stream()
                .anyMatch(one -> one.name().equals(module));
    }

    /** The modules that one reads: those it requires, and those they pass on (JLS 7.7.1). */
    private Set<String> readable(ModuleDeclaration own) {
        return readable.computeIfAbsent(own.name(), name -> {
            Set<String> found = new HashSet<>(Set.of("java.base"));
            Deque<String> open = new ArrayDeque<>(own.required());
            while (!open.isEmpty()) {
                String next = open.pop();
                if (found.add(next)) {
                    declared.values().stream().filter(one -> one.name().equals(next))
                            .forEach(one -> open.addAll(one.transitive()));
                    ModuleFinder.ofSystem().find(next).map(ModuleReference::descriptor)
                            .ifPresent(platform -> platform.requires().stream()
                            .filter(required -> required.modifiers()
                                    .contains(ModuleDescriptor.Requires.Modifier.TRANSITIVE))
                            .forEach(required -> open.add(required.name())));
                }
            }
            return found;
        });
    }
}
