package dev.deftchisel.analysis.code;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.sun.source.tree.StatementTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.SampleWorkspace;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.source.Range;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Where control goes, and which exceptions it may end in. */
class JumpsTest {

    @TempDir
    private Path folder;
    private AttributedFile code;

    /** The statements of a method body. */
    private List<TreePath> statements(String body) throws IOException {
        SampleWorkspace sample = new SampleWorkspace(folder);
        String source = """
                import java.io.IOException;
                class Berth implements AutoCloseable {
                    void moor() throws Exception {
                        outer:
                        for (int day = 0; day < 9; day++) {
                            %s
                        }
                    }
                    public void close() throws IOException { }
                    <E extends Exception> void leave(E how) throws E { throw how; }
                }
                """.formatted(body);
        Path file = sample.write("Berth.java", source);
        code = sample.analyst().analyse(Focus.whole(Set.of(file))).code(file).orElseThrow();
        Range all = new Range(source.indexOf(body), source.indexOf(body) + body.length());
        TreePath block = code.around(all).get(0);
        List<TreePath> found = TreePaths.statements(block.getLeaf()).stream()
                .filter(statement -> all.encloses(code.range(statement)))
                .map(statement -> new TreePath(block, statement))
                .toList();
        return found.isEmpty() ? List.of(block) : found;
    }

    private List<String> leaving(String body) throws IOException {
        return Jumps.leaving(statements(body)).stream().map(jump -> code.text(jump.tree())).toList();
    }

    private boolean canComplete(String body) throws IOException {
        return statements(body).stream().allMatch(path -> Jumps.canComplete((StatementTree) path.getLeaf()));
    }

    private String thrown(String body) throws IOException {
        List<TreePath> statements = statements(body);
        return code.thrown(statements).stream().map(Object::toString).sorted().toList().toString();
    }

    @Test
    void jumpsWithinTheCodeDoNotLeaveIt() throws IOException {
        assertEquals(List.of(), leaving("while (true) { if (day > 2) break; else continue; }"));
        assertEquals(List.of(), leaving("Runnable later = () -> { return; };"));
        assertEquals(List.of(), leaving("switch (day) { case 1: break; default: day++; }"));
    }

    @Test
    void jumpsOutOfTheCodeLeaveIt() throws IOException {
        assertEquals(List.of("return;"), leaving("if (day > 2) { return; }"));
        assertEquals(List.of("break;", "continue;"), leaving("if (day > 2) break; else continue;"));
        assertEquals(List.of("continue outer;"), leaving("while (true) { if (day > 2) continue outer; }"));
        assertEquals(List.of("continue;"), leaving("switch (day) { case 1: continue; default: break; }"));
        assertEquals(List.of("break;"), leaving("day++; break;"));
    }

    @Test
    void codeThatAlwaysLeavesCannotComplete() throws IOException {
        assertFalse(canComplete("if (day > 2) return; else throw new IOException();"));
        assertFalse(canComplete("while (true) { day++; }"));
        assertFalse(canComplete("try { return; } finally { day++; }"));
        assertTrue(canComplete("if (day > 2) return;"));
        assertTrue(canComplete("while (true) { if (day > 2) break; }"));
        assertTrue(canComplete("try { return; } catch (RuntimeException wrong) { day++; }"));
    }

    @Test
    void onlyCheckedExceptionsThatAreNotCaughtAreThrown() throws IOException {
        assertEquals("[java.io.IOException]", thrown("close();"));
        assertEquals("[]", thrown("try { close(); } catch (IOException late) { day++; }"));
        assertEquals("[]", thrown("throw new IllegalStateException();"));
        assertEquals("[]", thrown("Runnable later = () -> { throw new IllegalStateException(); };"));
        assertEquals("[java.io.IOException]", thrown("try (Berth other = new Berth()) { day++; }"));
        assertEquals("[java.lang.InterruptedException]", thrown("leave(new InterruptedException());"));
    }

    @Test
    void whatIsCaughtAndThrownAgainIsNoMoreThanWasThrown() throws IOException {
        assertEquals("[java.io.IOException]", thrown("try { close(); } catch (Exception late) { throw late; }"));
    }

    @Test
    void aSubtypeIsCoveredByItsSupertype() throws IOException {
        assertEquals("[java.lang.Exception]", thrown("if (day > 2) throw new Exception(); close();"));
    }
}
