package dev.deftchisel.guard.comparison;

import com.sun.source.tree.BlockTree;
import com.sun.source.tree.ClassTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.NamedTypes;
import dev.deftchisel.analysis.symbol.Role;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.analysis.symbol.Trace;
import dev.deftchisel.change.Difference;
import dev.deftchisel.change.Mapping;
import dev.deftchisel.source.Range;
import dev.deftchisel.workspace.SourceFile;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.TypeElement;

/**
 * Finds fields that were constant variables and are none any more, or the other way round (JLS 4.12.4). Who reads a
 * constant is compiled with its value: that does not initialise the class of the field (JLS 12.4.1), and does not see
 * the field without a value while its object is made (JLS 12.5).
 */
public final class ConstantComparison {

    private final Analysis before;
    private final Analysis after;
    private final Mapping mapping;

    public ConstantComparison(Analysis before, Analysis after, Mapping mapping) {
        this.before = before;
        this.after = after;
        this.mapping = mapping;
    }

    /** A place where a variable is declared. */
    private record ConstantDeclaration(Path file, Range name) {
    }

    public List<Difference> differences() {
        Set<ConstantDeclaration> constantsBefore = constants(before);
        Set<ConstantDeclaration> constantsAfter = constants(after);
        List<Difference> differences = new ArrayList<>();
        Set<ConstantDeclaration> fields = fields();
        for (SourceFile file : before.files()) {
            boolean isBroken = before.errors(file.path()).stream().anyMatch(Uncertainty::isOfMissing);
            for (Binding declared : before.bindings(file.path())) {
                if (declared.role() != Role.DECLARATION || !(declared.key() instanceof SymbolKey.Field)
                        || !declared.isNamed()) {
                    continue;
                }
                boolean was = constantsBefore.contains(new ConstantDeclaration(file.path(), declared.range()));
                boolean is = mapping.sites(file.path(), declared.range()).stream()
                        .anyMatch(site -> constantsAfter.contains(new ConstantDeclaration(site.file(), site.range())));
                boolean stays = mapping.sites(file.path(), declared.range()).stream()
                        .anyMatch(site -> fields.contains(new ConstantDeclaration(site.file(), site.range())));
                // what is computed of something unknown is no constant yet
                if (stays && was != is && (was || !isBroken && canBeTold(file.path(), declared.range()))) {
                    differences.add(new Difference(Difference.Kind.CONSTANT, file.path(), declared.range(),
                            Optional.empty(),
                            Optional.empty(), "'" + before.text(file.path(), declared.range()) + "' would "
                            + (was ? "no longer be" : "become") + " a constant variable (JLS 4.12.4); who reads it "
                            + (was ? "would initialise its class" : "would not initialise its class any more")));
                }
            }
        }
        return differences;
    }

    private static Set<ConstantDeclaration> constants(Analysis analysis) {
        return analysis.traces().stream().filter(trace -> trace.fact() == Trace.Fact.CONSTANT)
                .map(trace -> new ConstantDeclaration(trace.file(), trace.range())).collect(Collectors.toSet());
    }

    /** Where fields are declared after the change. */
    private Set<ConstantDeclaration> fields() {
        return after.files().stream().map(SourceFile::path).flatMap(file -> after.bindings(file).stream()
                .filter(binding -> binding.role() == Role.DECLARATION && binding.key() instanceof SymbolKey.Field)
                .map(binding -> new ConstantDeclaration(file, binding.range()))).collect(Collectors.toSet());
    }

    /**
     * Whether somebody may notice that a field has its value from the beginning. That of an object is noticed only by a
     * constructor above, or by what runs before it in its own class.
     */
    private boolean canBeTold(Path file, Range name) {
        Optional<TreePath> field = before.code(file).flatMap(code -> code.declaration(name));
        if (field.isEmpty() || !(field.get().getParentPath().getLeaf() instanceof ClassTree owner)) {
            return true;
        }
        AttributedFile code = before.code(file).orElseThrow();
        boolean isOfObject = code.element(field.get())
                .filter(element -> !element.getModifiers().contains(Modifier.STATIC)
                        && element.getEnclosingElement() instanceof TypeElement type
                        && (type.getKind() == ElementKind.CLASS || type.getKind() == ElementKind.RECORD)
                        && NamedTypes.isOneOf(type.getSuperclass(), Set.of("java.lang.Object", "java.lang.Record")))
                .isPresent();
        return !isOfObject || owner.getMembers().stream()
                .filter(member -> code.find(member).filter(range -> range.start() < name.start()).isPresent())
                .filter(member -> member != field.get().getLeaf())
                .anyMatch(member -> runs(code, new TreePath(field.get().getParentPath(), member)));
    }

    private static boolean runs(AttributedFile code, TreePath member) {
        Tree tree = member.getLeaf();
        return tree instanceof BlockTree || tree instanceof VariableTree variable && variable.getInitializer() != null
                && !code.effects(new TreePath(member, variable.getInitializer())).isPure();
    }
}
