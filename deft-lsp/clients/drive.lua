-- Works in the harbour office as a user would, by the editor's own client, and says what came of it.
local failed = false
local function check(what, is)
  print((is and 'ok      ' or 'FAILED  ') .. what)
  failed = failed or not is
end

local function text() return table.concat(vim.api.nvim_buf_get_lines(0, 0, -1, false), '\n') end
local function wait(condition) return vim.wait(30000, condition, 20) end
-- picks what is offered by its title, instead of a menu
local wanted
vim.ui.select = function(items, options, choose)
  for _, item in ipairs(items) do
    if options.format_item(item):find(wanted, 1, true) then return choose(item) end
  end
  choose(nil)
end

local client = vim.lsp.start_client({
  name = 'deft', cmd = { vim.env.DEFT, 'lsp' }, root_dir = vim.fn.getcwd(),
  workspace_folders = { { uri = vim.uri_from_fname(vim.fn.getcwd()), name = 'harbour' } },
})
local function open(file)
  vim.cmd('edit ' .. file)
  vim.bo.swapfile = false
  vim.lsp.buf_attach_client(0, client)
end
local function at(line, column) vim.api.nvim_win_set_cursor(0, { line, column }) end

-- diagnostics, and a code action that is resolved
open('src/main/java/harbour/office/Clearance.java')
check('diagnostics come', wait(function() return #vim.diagnostic.get(0) >= 3 end))
for _, found in ipairs(vim.diagnostic.get(0)) do
  print('          ' .. (found.lnum + 1) .. ':' .. (found.col + 1) .. ' ' .. (found.code or '') .. ' ' .. found.message)
end
at(10, 11)
wanted = 'import all 2 types'
vim.lsp.buf.code_action()
check('an action imports what is missing', wait(function() return text():find('import java.util.ArrayList;', 1, true) ~= nil end))
check('the errors are gone', wait(function() return #vim.diagnostic.get(0, { severity = vim.diagnostic.severity.ERROR }) == 0 end))
vim.cmd('undo')
check('the editor takes it back', text():find('import java.util.ArrayList;', 1, true) == nil)

-- a rename over files, by its own prompt's answer
open('src/main/java/harbour/berths/Berth.java')
local before = text()
local line = vim.fn.search('void moor(Vessel vessel)', 'w')
at(line, vim.fn.getline(line):find('moor') - 1)
local response = vim.lsp.buf_request_sync(0, 'textDocument/references',
  vim.tbl_extend('force', vim.lsp.util.make_position_params(), { context = { includeDeclaration = true } }), 30000)
local uses = response[client].result
check('uses are found in several files', #uses > 3)
vim.lsp.buf.rename('tieUp')
check('a rename changes the file', wait(function() return text():find('void tieUp(Vessel vessel) {', 1, true) ~= nil end))
local others = 0
for _, buffer in ipairs(vim.api.nvim_list_bufs()) do
  local lines = table.concat(vim.api.nvim_buf_get_lines(buffer, 0, -1, false), '\n')
  if buffer ~= vim.api.nvim_get_current_buf() and lines:find('tieUp', 1, true) then others = others + 1 end
end
check('and the others that use it', others > 0)
vim.cmd('undo')
check('the editor takes the rename back', text() == before)

-- where things are
local symbols = vim.lsp.buf_request_sync(0, 'textDocument/documentSymbol', { textDocument = vim.lsp.util.make_text_document_params() }, 30000)
check('the file has symbols', symbols[client].result[1].name == 'Berth')
at(line, vim.fn.getline(line):find('Vessel') - 1)
vim.lsp.buf.definition()
check('a definition is gone to', wait(function() return vim.fn.expand('%:t') == 'Vessel.java' end))

vim.lsp.stop_client(client)
check('the server leaves', wait(function() return vim.lsp.client_is_stopped(client) end))
if failed then vim.cmd('cquit 1') end
