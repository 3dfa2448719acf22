package dev.deftchisel.extract;

import com.sun.source.tree.MethodTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Binding;
import dev.deftchisel.analysis.Code;
import dev.deftchisel.analysis.Family;
import dev.deftchisel.analysis.Role;
import dev.deftchisel.analysis.Symbol;
import dev.deftchisel.analysis.SymbolKey;
import dev.deftchisel.change.Alike;
import dev.deftchisel.change.Change;
import dev.deftchisel.change.Edit;
import dev.deftchisel.change.Meaning;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.rewrite.EditsByFile;
import dev.deftchisel.rewrite.Layout;
import dev.deftchisel.rewrite.NewCode;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.Words;
import dev.deftchisel.workspace.SourceFile;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.function.Consumer;
import javax.lang.model.element.Element;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.TypeElement;
import javax.lang.model.element.VariableElement;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;

/** Writes the new parameter, the name in place of the value, and the value at the calls. */
final class ParameterEdits {

    private final Analysis before;
    private final Code code;
    private final Selected selected;
    private final AtEntry entry;
    private final TreePath method;
    private final ExecutableElement element;
    private final TypeMirror type;
    private final String name;
    private final EditsByFile edits;
    private final Map<SymbolKey, String> descriptors = new HashMap<>();
    private final List<String> notes = new ArrayList<>();

    ParameterEdits(Analysis before, Code code, Selected selected, AtEntry entry, TreePath method, String name) {
        this.before = before;
        this.code = code;
        this.selected = selected;
        this.entry = entry;
        this.method = method;
        this.element = (ExecutableElement) code.element(method).orElseThrow();
        this.type = code.type(selected.path()).orElseThrow();
        this.name = name;
        this.edits = new EditsByFile(before);
    }

    /** What all this is, after {@link #handOver} or {@link #handOn}. */
    Change change(String title, List<String> more) {
        notes.addAll(more);
        return edits.change(title, Meaning.parameters(descriptors), notes);
    }

    /** Gives the method and all that it overrides or is overridden by the parameter, and every call the value. */
    Optional<Reason> handOver(List<TreePath> places) {
        if (code.occurrences(method).stream().anyMatch(one -> one.variable().getSimpleName().contentEquals(name))) {
            return at(selected.path(), "'" + name + "' is a variable of this method already; choose another name");
        }
        Symbol symbol = before.symbol(code.key(element)).orElseThrow();
        Set<SymbolKey> family = Family.of(symbol, before);
        int index = 0;
        for (SymbolKey key : family) {
            Optional<Binding> declared = before.declaration(key);
            Optional<Code> home = declared.flatMap(binding -> before.code(binding.file()));
            if (home.isEmpty()) {
                return at(method, "the method overrides or implements "
                        + before.symbol(key).map(Symbol::signature).orElse("one") + " of a library, which cannot get a parameter");
            }
            TreePath path = home.get().around(declared.get().range()).stream()
                    .filter(around -> around.getLeaf() instanceof MethodTree).findFirst().orElseThrow();
            if (isFunction(home.get(), path)) {
                return Optional.of(Reason.at(declared.get().file(), declared.get().range(),
                        "a lambda may implement this method, which would not get the parameter"));
            }
            Optional<String> written = edits.writer(home.get()).write(type);
            if (written.isEmpty() || !home.get().sharesTypesWith(code)) {
                return at(selected.path(), "its type has no name that could be written");
            }
            ParameterHead head = new ParameterHead(home.get(), path, declared.get().range().end());
            boolean isOwn = key.equals(symbol.key());
            edits.of(declared.get().file()).add(head.declared(written.get(), to -> given(to, isOwn)));
            index = isOwn ? head.index() : index;
            descriptors.put(key, withParameter(((SymbolKey.Method) key).descriptor(), head.index(), code.descriptor(type)));
        }
        places.forEach(place -> edits.of(code.file().path()).add(selected.named(code, place, name)));
        return calls(family, index);
    }

    /** Only the name in the method itself stays linked with those in its body; each override declares its own. */
    private void given(NewCode text, boolean isOwn) {
        if (isOwn) {
            text.name(name);
        } else {
            text.write(name);
        }
    }

    private Optional<Reason> calls(Set<SymbolKey> family, int index) {
        int count = 0;
        for (SymbolKey key : family) {
            for (Binding use : before.uses(key)) {
                if (use.role() == Role.DECLARATION || use.role() == Role.DOC) {
                    continue;
                }
                Code there = before.code(use.file()).orElseThrow();
                Optional<TreePath> call = there.call(use);
                if (call.isEmpty()) {
                    return Optional.of(Reason.at(use.file(), use.range(),
                            use.isNamed() ? "the method is named here without being called, so that nothing can be handed over"
                                    : "the constructor is called here without a list of arguments; write the call first"));
                }
                ParameterCall handed = new ParameterCall(there, call.get(), code, selected.path(), element, edits.writer(there));
                Optional<Reason> objection = handed.objection(entry.parameters(), entry.isPure(), index);
                Optional<Edit> edit = objection.isPresent() ? Optional.empty() : handed.edit(type, index);
                if (edit.isEmpty()) {
                    return objection.or(() -> Optional.of(Reason.at(use.file(), use.range(),
                            "a type matters here that has no name which could be written")));
                }
                edits.of(use.file()).add(edit.get());
                count++;
            }
        }
        noteMentions();
        return count > 0 ? Optional.empty() : at(method, "nobody calls the method, so that nobody could hand the value over");
    }

    /** What is called by a name in a string is not found by its type. */
    private void noteMentions() {
        String word = element.getSimpleName().toString();
        for (SourceFile file : before.files()) {
            for (Range mention : Words.find(file.content(), word)) {
                if (file.tokens().kind(file.tokens().at(mention.start())).isText()) {
                    notes.add(before.snapshot().workspace().show(file.path()) + ":" + file.position(mention.start())
                            + " names '" + word + "' in a string; who calls it by that hands nothing over");
                }
            }
        }
    }

    /** Whether the method is the one abstract method of an interface (JLS 9.8). */
    private static boolean isFunction(Code code, TreePath path) {
        Element method = code.element(path).orElseThrow();
        return method.getModifiers().contains(Modifier.ABSTRACT) && method.getEnclosingElement().getKind().isInterface()
                && code.elements().getAllMembers((TypeElement) method.getEnclosingElement()).stream()
                .filter(member -> member.getKind() == ElementKind.METHOD && member.getModifiers().contains(Modifier.ABSTRACT))
                .count() == 1;
    }

    /** Leaves the method as it is called, but for its body, which hands the value on to a new method with the old body. */
    Optional<Reason> handOn(List<TreePath> places) {
        MethodTree tree = (MethodTree) method.getLeaf();
        Optional<String> written = edits.writer(code).write(type);
        if (written.isEmpty()) {
            return at(selected.path(), "its type has no name that could be written");
        }
        Layout layout = Layout.of(code.file());
        Range body = code.range(tree.getBody());
        String indent = Layout.indentOf(code.file(), code.range(tree).start());
        String newLine = layout.lineEnd() + indent;
        Range own = before.declaration(code.key(element)).orElseThrow().range();
        ParameterHead head = new ParameterHead(code, method, own.end());
        boolean isConstructor = element.getKind() == ElementKind.CONSTRUCTOR;
        boolean isVoid = isConstructor || element.getReturnType().getKind() == TypeKind.VOID;
        NewCode call = new NewCode(code.file()).write("{" + newLine + layout.unit() + (isVoid ? "" : "return ")
                + (isConstructor ? "this" : tree.getName()) + "(");
        List<Consumer<NewCode>> arguments = new ArrayList<>();
        for (VariableElement parameter : element.getParameters()) {
            Range declared = before.declaration(code.key(parameter)).orElseThrow().range();
            arguments.add(text -> text.carry(declared));
        }
        arguments.add(head.index(), text -> text.carry(selected.range(),
                Layout.indentOf(code.file(), selected.range().start()), indent + layout.unit()));
        for (int i = 0; i < arguments.size(); i++) {
            arguments.get(i).accept(call.write(i == 0 ? "" : ", "));
        }
        NewCode copy = new NewCode(code.file()).write(newLine.substring(0, layout.lineEnd().length()) + newLine);
        head.copied(copy, newLine, written.get(), name);
        SortedMap<Range, Consumer<NewCode>> instead = new TreeMap<>();
        List<Alike> alike = new ArrayList<>();
        for (TreePath place : places) {
            Range whole = selected.whole(code, place);
            instead.put(whole, text -> text.apartFrom(whole.start()).name(name));
            if (!selected.own(code, place).equals(selected.range())) {
                alike.add(new Alike(whole, selected.range()));
            }
        }
        copy.write(" ").carry(body, "", "", instead);
        edits.of(code.file().path()).add(call.write(");" + newLine + "}").replacing(body).giving(alike));
        edits.of(code.file().path()).add(copy.at(Layout.behind(code.file(), body.end())));
        return Optional.empty();
    }

    private Optional<Reason> at(TreePath path, String sentence) {
        Range range = path.getLeaf() instanceof MethodTree
                ? before.declaration(code.key(element)).map(Binding::range).orElse(code.range(path.getLeaf()))
                : code.range(path.getLeaf());
        return Optional.of(Reason.at(code.file().path(), range, sentence));
    }

    /** A descriptor with one more parameter (JVMS 4.3.3). */
    static String withParameter(String descriptor, int index, String added) {
        int at = 1;
        for (int i = 0; i < index; i++) {
            while (descriptor.charAt(at) == '[') {
                at++;
            }
            at = descriptor.charAt(at) == 'L' ? descriptor.indexOf(';', at) + 1 : at + 1;
        }
        return descriptor.substring(0, at) + added + descriptor.substring(at);
    }
}
