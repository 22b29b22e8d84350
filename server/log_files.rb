# frozen_string_literal: true

require 'fileutils'

module Fujin
  # The files that processes write their logs to: nobody else reads them, and they do not grow for ever. Copied and cut,
  # so that who writes goes on at the end of the same file.
  class LogFiles
    MOST_BYTES = 20 * 1024 * 1024
    KEPT = 5

    def initialize(folder, most_bytes: MOST_BYTES)
      @folder = folder
      @most_bytes = most_bytes
    end

    # @return [String] the file of a service, there
    def of(name)
      FileUtils.mkdir_p(@folder, mode: 0o700)
      File.join(@folder, "#{name}.log").tap do |path|
        File.open(path, 'a', 0o600) { |file| file.chmod(0o600) }
      end
    end

    def rotate
      Dir[File.join(@folder, '*.log')].select { |path| File.size(path) > @most_bytes }.each { |path| turn(path) }
    end

    private

    def turn(path)
      (KEPT - 1).downto(1) do |number|
        File.rename("#{path}.#{number}", "#{path}.#{number + 1}") if File.exist?("#{path}.#{number}")
      end
      FileUtils.cp(path, "#{path}.1", preserve: true)
      File.truncate(path, 0)
    end
  end
end
