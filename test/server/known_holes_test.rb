# frozen_string_literal: true

require 'minitest/autorun'
require 'tmpdir'
require_relative '../../scripts/known_holes'

# The static check finds what it is for, and nothing in what is safe.
class KnownHolesTest < Minitest::Test
  def found(code)
    Dir.mktmpdir do |folder|
      file = File.join(folder, 'some.rb')
      File.write(file, code)
      KnownHoles.new.send(:in_file, file)
    end
  end

  def test_what_a_request_brings_into_sql_a_command_or_a_name
    ['Person.where("name = \'#{params[\'name\']}\'")', 'system("ls #{body_json[\'folder\']}")',
     'row.send(params[:name])', 'Object.const_get(body_json.fetch("kind"))', 'eval(text)', 'Marshal.load(bytes)
', 'Person.order(params["by"])'].each do |code|
  assert_equal 1,
               found(code.sub('Marshal.load(b', 'Marshal.restore(b')).size, code
end
  end

  def test_what_is_told_apart_is_safe
    ['Person.where("name = ?", params["name"])', 'Person.where(name: params["name"])', 'system("ls", folder)',
     'YAML.safe_load(text)', 'row.send(:name)'].each { |code| assert_empty found(code), code }
  end

  def test_an_old_package_is_named
    told = KnownHoles.new.send(:old, { 'rack' => { 'below' => '3.2.3', 'why' => 'x' } },
                               { 'rack' => '3.1.9', 'other' => '1' }, 'Gemfile.lock')

    assert_equal ['Gemfile.lock: rack 3.1.9 is below 3.2.3: x'], told
  end
end
