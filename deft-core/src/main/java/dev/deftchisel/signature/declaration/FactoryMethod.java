package dev.deftchisel.signature.declaration;

import com.sun.source.tree.ClassTree;
import com.sun.source.tree.MemberReferenceTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.ParameterizedTypeTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.symbol.AccessLevel;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.Role;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.change.SymbolEffects;
import dev.deftchisel.header.TypedHeader;
import dev.deftchisel.operation.Plan;
import dev.deftchisel.rewrite.Layout;
import dev.deftchisel.signature.plan.DeclaredHeader;
import dev.deftchisel.signature.written.NestedEdits;
import dev.deftchisel.signature.written.SharedEdits;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.TypeElement;

/** Writes a static method that makes objects as a constructor does, and has all make them by it who can. */
public final class FactoryMethod {

    private final Analysis before;
    private final DeclaredHeader constructor;
    private final String name;
    private final AttributedFile code;
    private final TypeElement type;
    private final SymbolKey.Method key;
    private final SharedEdits edits;
    private final List<String> notes = new ArrayList<>();
    private int made;
    /** Whether something outside of the class still calls the constructor, which must stay as open as it is. */
    private boolean isCalled;

    /**
     * @param before      in which every file that mentions the class was looked at
     * @param constructor as it is written
     * @param name        of the method
     */
    public FactoryMethod(Analysis before, DeclaredHeader constructor, String name) {
        this.before = before;
        this.constructor = constructor;
        this.name = name;
        this.code = constructor.code();
        this.type = (TypeElement) constructor.element().getEnclosingElement();
        this.key = (SymbolKey.Method) code.key(constructor.element());
        this.edits = new SharedEdits(before);
    }

    /** The change. */
    public Plan plan() {
        before.uses(key).stream().filter(use -> use.role() != Role.DECLARATION && use.role() != Role.DOC)
                .forEach(this::use);
        Layout layout = Layout.of(code.file());
        Range whole = code.range(constructor.path().getLeaf());
        String indent = Layout.indentOf(code.file(), whole.start());
        String diamond = type.getTypeParameters().isEmpty() ? "" : "<>";
        String passed = constructor.header().known().stream().map(one -> one.name()).collect(Collectors.joining(", "));
        String newLine = layout.lineEnd() + indent;
        String method = layout.lineEnd() + newLine + header() + " {" + newLine + layout.unit() + "return new "
                + type.getSimpleName() + diamond + "(" + passed + ");" + newLine + "}";
        NestedEdits here = edits.in(code);
        int end = Layout.after(code.file(), whole.end());
        here.replace(new Range(end, end), List.of(), text -> text.write(method));
        closed(here);
        SymbolKey factory = new SymbolKey.Method(key.owner(), name, key.descriptor().substring(0, key.descriptor()
                .indexOf(')') + 1) + code.descriptor(code.types().erasure(type.asType())));
        notes.add(0, made + (made == 1 ? " object is" : " objects are") + " made by it");
        return new Plan.Ready(edits.change("make objects by '" + type.getSimpleName() + "." + name + "' instead of '"
                + constructor.header().core() + "'", SymbolEffects.same().making(Map.of(key, factory)), notes), before);
    }

    private String header() {
        TypedHeader header = constructor.header();
        ClassTree tree = (ClassTree) constructor.path().getParentPath().getLeaf();
        String bounds = tree.getTypeParameters().stream().map(code::text).collect(Collectors.joining(", "));
        String names = tree.getTypeParameters().stream().map(one -> one.getName().toString())
                .collect(Collectors.joining(", "));
        return AccessLevel.of(constructor.element().getModifiers()).prefix() + "static "
                + (bounds.isEmpty() ? "" : "<" + bounds + "> ") + type.getSimpleName()
                + (names.isEmpty() ? "" : "<" + names + ">") + " " + name + "(" + code.text(constructor.inner())
                + ")" + header.thrown().map(header::at).filter(types -> !types.isBlank())
                .map(types -> " throws " + types).orElse("");
    }

    /** The constructor need not be seen from outside any more; others may look for one without parameters. */
    private void closed(NestedEdits here) {
        AccessLevel access = AccessLevel.of(constructor.element().getModifiers());
        boolean mayClose = !isCalled && type.getKind() != ElementKind.RECORD
                && !constructor.element().getParameters().isEmpty() && access != AccessLevel.PRIVATE;
        if (!mayClose) {
            return;
        }
        Optional<Range> word = constructor.header().accessWord().map(constructor::place);
        int start = constructor.name().start();
        word.ifPresentOrElse(range -> here.replace(range, List.of(), text -> text.write("private")),
                () -> here.replace(new Range(start, start), List.of(), text -> text.write("private ")));
        notes.add("the constructor is private then");
    }

    private void use(Binding use) {
        AttributedFile file = before.code(use.file()).orElseThrow();
        Optional<TreePath> creation = file.call(use).filter(call -> call.getLeaf() instanceof NewClassTree tree
                && tree.getClassBody() == null && tree.getTypeArguments().isEmpty()
                && file.find(tree.getIdentifier()).isPresent());
        Optional<TreePath> reference = creation.isPresent() ? Optional.empty() : file.around(use.range()).stream()
                .filter(path -> path.getLeaf() instanceof MemberReferenceTree tree
                        && tree.getMode() == MemberReferenceTree.ReferenceMode.NEW && tree.getTypeArguments() == null)
                .findFirst().filter(path -> file.element(path).map(file::key).filter(key::equals).isPresent());
        if (creation.isPresent()) {
            NewClassTree tree = (NewClassTree) creation.get().getLeaf();
            Range named = file.range(tree.getIdentifier());
            made(file, tree.getIdentifier(), new Range(file.range(tree).start(), named.end()));
        } else if (reference.isPresent()) {
            MemberReferenceTree tree = (MemberReferenceTree) reference.get().getLeaf();
            reference(file, tree);
        } else {
            isCalled |= !use.file().equals(code.file().path())
                    || !outermost(file.around(use.range()).get(0)).equals(outermost(constructor.path()));
        }
    }

    /** The type of the file in which something stands, and all that is private in it can be used (JLS 6.6.1). */
    private static Optional<Tree> outermost(TreePath path) {
        Optional<Tree> found = Optional.empty();
        for (TreePath at = path; at != null; at = at.getParentPath()) {
            found = at.getLeaf() instanceof ClassTree type ? Optional.of(type) : found;
        }
        return found;
    }

    private void made(AttributedFile file, Tree named, Range gone) {
        made++;
        Tree plain = named instanceof ParameterizedTypeTree generic ? generic.getType() : named;
        String arguments = named instanceof ParameterizedTypeTree generic && !generic.getTypeArguments().isEmpty()
                ? "<" + generic.getTypeArguments().stream().map(file::text).collect(Collectors.joining(", ")) + ">"
                : "";
        edits.in(file).replace(gone, List.of(), text -> text.from(file.file()).carry(file.range(plain))
                .write("." + arguments + name));
    }

    private void reference(AttributedFile file, MemberReferenceTree tree) {
        made++;
        Range whole = file.range(tree);
        int word = whole.end() - "new".length();
        edits.in(file).replace(new Range(word, whole.end()), List.of(), text -> text.write(name));
    }
}
