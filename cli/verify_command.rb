# frozen_string_literal: true

ENV['BUNDLE_GEMFILE'] ||= File.expand_path('../Gemfile', __dir__)
require 'bundler/setup'
require_relative '../server/documents/sign_off_document'

module Fujin
  module Commands
    # `verify FILE`: was this sign-off altered, and whose key signed it?
    class Verify < Command
      def run
        file = @options.rest.first or raise CommandLine::Usage, 'verify needs an exported sign-off'
        verdict = SignOffDocument.verify(File.read(file, encoding: 'UTF-8'), pinned_key: @options[:key])
        text = verdict.pinned ? 'intact, signed by the school named' : 'intact, signer not pinned'
        statement = verdict.statement
        if @options.json?
          @out.puts JSON.pretty_generate('result' => text, 'hash' => verdict.digest, 'statement' => statement)
        else
          @out.puts text,
                    "#{statement['student']} · #{statement['manoeuvre']} · signed by #{statement['instructor']} on " \
                      "#{statement['signed_at']}"
        end
        0
      rescue SignOffDocument::Broken => e
        @err.puts "fujin: #{file}: #{e.message}"
        1
      end
    end
  end
end
