package dev.deftchisel.problem;

import com.sun.source.tree.ClassTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.MemberReferenceTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import com.sun.source.util.TreePathScanner;
import dev.deftchisel.analysis.code.AttributedFile;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.Element;

/** What the names in a file mean, by what they mean; declarations apart. Worked out in one walk. */
public final class NameIndex {

    private final Map<Element, List<TreePath>> uses = new HashMap<>();
    private final Map<Element, TreePath> declarations = new HashMap<>();
    private final Set<String> unknown = new HashSet<>();
    private final Set<String> simple = new HashSet<>();

    NameIndex(AttributedFile code) {
        new TreePathScanner<Void, Void>() {
            @Override
            public Void visitIdentifier(IdentifierTree tree, Void unused) {
                simple.add(tree.getName().toString());
                note(tree.getName().toString());
                return null;
            }

            @Override
            public Void visitMemberSelect(MemberSelectTree tree, Void unused) {
                note(tree.getIdentifier().toString());
                return super.visitMemberSelect(tree, null);
            }

            @Override
            public Void visitMemberReference(MemberReferenceTree tree, Void unused) {
                note(tree.getName().toString());
                return super.visitMemberReference(tree, null);
            }

            @Override
            public Void visitNewClass(NewClassTree tree, Void unused) {
                note("");
                return super.visitNewClass(tree, null);
            }

            @Override
            public Void visitClass(ClassTree tree, Void unused) {
                declare();
                return super.visitClass(tree, null);
            }

            @Override
            public Void visitMethod(MethodTree tree, Void unused) {
                declare();
                return super.visitMethod(tree, null);
            }

            @Override
            public Void visitVariable(VariableTree tree, Void unused) {
                declare();
                return super.visitVariable(tree, null);
            }

            private void declare() {
                code.element(getCurrentPath())
                        .ifPresent(element -> declarations.putIfAbsent(element, getCurrentPath()));
            }

            private void note(String name) {
                Optional<Element> meant = code.element(getCurrentPath());
                meant.ifPresent(element -> uses.computeIfAbsent(element, key -> new ArrayList<>())
                        .add(getCurrentPath()));
                if (meant.filter(element -> element.asType() != null
                        && element.asType().getKind() != javax.lang.model.type.TypeKind.ERROR).isEmpty()) {
                    unknown.add(name);
                }
            }
        }.scan(new TreePath(code.unit()), null);
    }

    /** The names in the file that mean an element, in order. */
    public List<TreePath> uses(Element element) {
        return uses.getOrDefault(element, List.of());
    }

    /** Where the file declares an element. */
    public Optional<TreePath> declaration(Element element) {
        return Optional.ofNullable(declarations.get(element));
    }

    /**
     * Whether a name stands in the file that the compiler could not make out, so that it may mean anything so called.
     */
    public boolean isUnknown(String name) {
        return unknown.contains(name);
    }

    /** Whether a name stands somewhere in the code without a qualifier. */
    public boolean isSimple(String name) {
        return simple.contains(name);
    }

    /** Everything that is meant in the file. */
    public Set<Element> used() {
        return Set.copyOf(uses.keySet());
    }
}
