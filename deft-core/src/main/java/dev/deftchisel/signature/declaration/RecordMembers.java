package dev.deftchisel.signature.declaration;

import com.sun.source.tree.AssignmentTree;
import com.sun.source.tree.ExpressionStatementTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.StatementTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Family;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.Role;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.change.NewSignature;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.rewrite.Layout;
import dev.deftchisel.signature.plan.DeclaredHeader;
import dev.deftchisel.signature.plan.SignatureChange;
import dev.deftchisel.signature.plan.TypedCode;
import dev.deftchisel.signature.written.NestedEdits;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.RecordComponentElement;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.TypeMirror;

/**
 * What follows in a record when its header changes: the list of its components, an explicit canonical constructor (JLS
 * 8.10.4.1), and for each component its field, its accessor and all that is called by its name.
 */
public final class RecordMembers {

    private final Analysis before;
    private final SignatureChange change;
    private final DeclaredHeader own;
    private final TypedCode typedCode;
    private final Function<AttributedFile, NestedEdits> edits;
    private final TypeElement type;
    private final SymbolKey owner;
    private final Map<SymbolKey, String> names = new HashMap<>();
    private final Map<SymbolKey, NewSignature> signatures = new HashMap<>();

    /**
     * @param typedCode what is written in the file of the record
     * @param edits     of any file
     */
    public RecordMembers(TypedCode typedCode, Function<AttributedFile, NestedEdits> edits) {
        this.before = typedCode.before();
        this.change = typedCode.change();
        this.own = change.own();
        this.typedCode = typedCode;
        this.edits = edits;
        this.type = (TypeElement) own.element().getEnclosingElement();
        this.owner = own.code().key(type);
    }

    /** The names that components get, with all that is called by them; after {@link #write}. */
    public Map<SymbolKey, String> names() {
        return Map.copyOf(names);
    }

    /** What becomes of accessors; after {@link #write}. */
    public Map<SymbolKey, NewSignature> signatures() {
        return Map.copyOf(signatures);
    }

    /** What is in the way; when nothing is, all is written. */
    public Optional<Reason> write() {
        Optional<DeclaredHeader> constructor = constructor();
        for (int i = 0; i < change.before(); i++) {
            int index = change.origins().indexOf(i);
            Optional<Reason> objection = index < 0 ? dropped(i, constructor) : kept(i, index);
            if (objection.isPresent()) {
                return objection;
            }
        }
        if (!change.rewritesParameters()) {
            return Optional.empty();
        }
        Optional<Reason> objection = new ParameterListEdits(typedCode, own, inOwn()).write();
        if (objection.isEmpty() && constructor.isPresent()) {
            assignments(constructor.get());
            objection = new ParameterListEdits(typedCode, constructor.get(), inOwn()).write();
        }
        return objection;
    }

    private NestedEdits inOwn() {
        return edits.apply(own.code());
    }

    private SymbolKey field(int component) {
        return new SymbolKey.Field(owner, change.oldName(component));
    }

    private ExecutableElement accessor(int component) {
        RecordComponentElement element = type.getRecordComponents().get(component);
        return element.getAccessor();
    }

    /** The canonical constructor, where it is written with its parameters. */
    private Optional<DeclaredHeader> constructor() {
        return before.declaration(own.code().key(own.element()))
                .flatMap(declared -> DeclaredHeader.at(own.code(), declared.range()));
    }

    private static Optional<Reason> at(Binding use, String sentence) {
        return Optional.of(Reason.at(use.file(), use.range(), sentence));
    }

    private Optional<Reason> dropped(int component, Optional<DeclaredHeader> constructor) {
        SymbolKey accessor = own.code().key(accessor(component));
        List<SymbolKey> keys = new ArrayList<>(List.of(field(component), accessor));
        constructor.ifPresent(one -> keys.add(own.code().key(one.element().getParameters().get(component))));
        Set<Range> given = new HashSet<>();
        constructor.ifPresent(one -> statements(one).stream()
                .filter(statement -> isAssignment(one, statement, component)).map(own.code()::range)
                .forEach(given::add));
        for (SymbolKey key : keys) {
            for (Binding use : before.uses(key)) {
                boolean isGiven = use.file().equals(own.code().file().path())
                        && given.stream().anyMatch(range -> range.encloses(use.range()));
                if (use.role() != Role.DECLARATION && use.role() != Role.DOC && !isGiven) {
                    return at(use, "the component '" + change.oldName(component) + "' is still used here");
                } else if (use.role() == Role.DECLARATION && key.equals(accessor) && isMethod(use)) {
                    return at(use, "the accessor of the component '" + change.oldName(component)
                            + "' is declared here; remove it first");
                }
            }
        }
        return Optional.empty();
    }

    private boolean isMethod(Binding declared) {
        return before.code(declared.file()).flatMap(code -> code.declaration(declared.range()))
                .filter(path -> path.getLeaf() instanceof MethodTree).isPresent();
    }

    private Optional<Reason> kept(int component, int index) {
        Set<SymbolKey> family = Family.of(before.symbol(field(component)).orElseThrow(), before);
        String name = change.name(index);
        if (!name.equals(change.oldName(component))) {
            for (SymbolKey key : family) {
                names.put(key, name);
                before.uses(key).stream().filter(Binding::isNamed).forEach(use -> before.code(use.file())
                        .ifPresent(code -> edits.apply(code).rename(use, name)));
            }
        }
        return change.isRetyped(index) ? retyped(component, index, family) : Optional.empty();
    }

    /** The accessor returns the new type (JLS 8.10.3). */
    private Optional<Reason> retyped(int component, int index, Set<SymbolKey> family) {
        SymbolKey.Method accessor = (SymbolKey.Method) own.code().key(accessor(component));
        boolean isImplementing = family.stream().anyMatch(key -> key instanceof SymbolKey.Method method
                && !method.equals(accessor));
        if (isImplementing) {
            return Optional.of(Reason.at(own.code().file().path(), own.place(own.header().parameters()
                    .get(component).name()), "its accessor implements a method of an interface, so its type stays"));
        }
        TypeMirror newType = change.type(index);
        signatures.put(accessor, new NewSignature("()" + change.types().code().descriptor(newType),
                Optional.of(List.of())));
        before.declaration(accessor).filter(this::isMethod)
                .flatMap(declared -> DeclaredHeader.at(own.code(), declared.range()))
                .flatMap(header -> header.header().head().result().map(header::place))
                .ifPresent(result -> inOwn().replace(result, List.of(), text -> text.write(typedCode.type(change
                        .typed().at(change.typed().parameters().get(index).type())))));
        return Optional.empty();
    }

    private List<? extends StatementTree> statements(DeclaredHeader constructor) {
        return ((MethodTree) constructor.path().getLeaf()).getBody().getStatements();
    }

    /** Whether a statement gives a component the value of its parameter, and does nothing else. */
    private boolean isAssignment(DeclaredHeader constructor, StatementTree statement, int component) {
        if (!(statement instanceof ExpressionStatementTree line)
                || !(line.getExpression() instanceof AssignmentTree given)) {
            return false;
        }
        MethodTree method = (MethodTree) constructor.path().getLeaf();
        TreePath path = new TreePath(new TreePath(new TreePath(new TreePath(constructor.path(), method.getBody()),
                statement), given), given.getExpression());
        return own.code().element(path).filter(constructor.element().getParameters().get(component)::equals)
                .isPresent() && own.code().element(new TreePath(path.getParentPath(), given.getVariable()))
                .map(own.code()::key).filter(field(component)::equals).isPresent();
    }

    /** Those of components that go are taken out, and each new component gets its value. */
    private void assignments(DeclaredHeader constructor) {
        for (int i = 0; i < change.before(); i++) {
            int component = i;
            if (!change.origins().contains(component)) {
                statements(constructor).stream().filter(one -> isAssignment(constructor, one, component))
                        .forEach(one -> inOwn().replace(line(own.code().range(one)), List.of(), text -> { }));
            }
        }
        MethodTree method = (MethodTree) constructor.path().getLeaf();
        Layout layout = Layout.of(own.code().file());
        int close = own.code().range(method.getBody()).end() - 1;
        int end = own.code().tokens().end(own.code().tokens().codeBefore(own.code().tokens().at(close) - 1));
        String indent = layout.lineEnd() + Layout.indentOf(own.code().file(), own.code().range(method).start())
                + layout.unit();
        List<Integer> added = new ArrayList<>();
        for (int i = 0; i < change.origins().size(); i++) {
            if (change.isAdded(i)) {
                added.add(i);
            }
        }
        if (!added.isEmpty()) {
            inOwn().replace(new Range(end, end), List.of(), text -> added.forEach(i -> text.write(indent + "this.")
                    .name(change.name(i)).write(" = " + change.name(i) + ";")));
        }
    }

    /** A statement with the line on which it stands alone. */
    private Range line(Range statement) {
        String content = own.code().file().content();
        int start = statement.start();
        while (start > 0 && (content.charAt(start - 1) == ' ' || content.charAt(start - 1) == '\t')) {
            start--;
        }
        boolean isAlone = start > 0 && content.charAt(start - 1) == '\n' && statement.end() < content.length()
                && (content.charAt(statement.end()) == '\n' || content.charAt(statement.end()) == '\r');
        int begin = isAlone && start > 1 && content.charAt(start - 2) == '\r' ? start - 2 : start - 1;
        return isAlone ? new Range(begin, statement.end()) : statement;
    }
}
